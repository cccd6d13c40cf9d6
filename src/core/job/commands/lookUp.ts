import { refuse } from '../../base/text/refusal';
import type { Job, RecordOf, TableName } from '../document/job';
import { type AnyRecord, rowsOf, tableOf } from '../document/tables';

/** The record of this id, in a table that is known only when it is asked for, or a refusal that says it is gone. */
export const lookUpRow = (job: Job, table: TableName, id: string): AnyRecord =>
  rowsOf(job, table)[id] ?? refuse('gone', `That ${tableOf(table).one} is no longer in the job.`, id);

/** The record of this id, or a refusal that says it is gone. */
export const lookUp = <T extends TableName>(job: Job, table: T, id: string): RecordOf<T> =>
  lookUpRow(job, table, id) as RecordOf<T>;

/** Refuses when a record of this id stands already. */
export function mustBeNew(job: Job, table: TableName, id: string): void {
  if (job[table][id]) refuse('id-taken', `A ${tableOf(table).one} with the id ${id} is in the job already.`, id);
}

const MOST = 64;

/** An id that its table leaves free: the wanted one, or that with a number behind it. The same in browser and server. */
export function freeId(rows: Record<string, unknown>, wanted: string): string {
  const base = wanted.slice(0, MOST - 8);
  if (!rows[base]) return base;
  for (let number = 2; ; number++) if (!rows[`${base}-${number}`]) return `${base}-${number}`;
}
