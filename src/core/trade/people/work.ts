import { type Change, isFieldChange } from '../../job/document/change';
import { type TableName, tablesThat } from '../../job/document/tables';
import type { Purpose } from './people';

/** What work on the site writes: tables that it adds to and changes, and single fields of others. */
const WORK_TABLES: ReadonlySet<TableName> = new Set(tablesThat(({ onSite }) => onSite));
const WORK_FIELDS: Partial<Record<TableName, readonly string[]>> = { runs: ['notes', 'state'] };

/** What a link for one purpose writes, and of a run how far it is. */
const LINK_TABLES: Partial<Record<Purpose, TableName>> = { build: 'ticks', tests: 'results' };

/** Whether changes are what a link is for. */
export const isForLink = (purpose: Purpose, changes: readonly Change[]): boolean =>
  changes.every(
    (change) =>
      LINK_TABLES[purpose] !== undefined &&
      (change.table === LINK_TABLES[purpose] ||
        (change.table === 'runs' && isFieldChange(change) && change.field === 'state')),
  );

/** Whether changes are ticks, tests, notes and what else comes of work on the site, and nothing of the plan. */
export const isWork = (changes: readonly Change[]): boolean =>
  changes.every(
    (change) =>
      change.table !== null &&
      (WORK_TABLES.has(change.table) ||
        (isFieldChange(change) && (WORK_FIELDS[change.table] ?? []).includes(change.field))),
  );

/** What somebody may do in a job: change it, work by it, or look at it. */
export type May = 'edit' | 'work' | 'read';
export const MAY_WORDS: Record<Exclude<May, 'edit'>, string> = {
  work: 'Your role permits ticks, tests, notes and photographs, not this.',
  read: 'Your role permits to look at this job, not to change it.',
};
/** @returns why changes are not for somebody; null where they are */
export const notForThem = (may: May, changes: readonly Change[]): string | null =>
  may === 'edit' || (may === 'work' && isWork(changes)) ? null : MAY_WORDS[may];
