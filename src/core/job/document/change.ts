import type { Job } from './job';
import { HEAD_FIELDS } from './jobHead';
import { type AnyRecord, rowsOf, TABLE_NAMES, type TableName, tableOf } from './tables';

/**
 * One difference between two versions of a job: a record that came or went, or a field that became another. It holds
 * both sides, so that it can be made, taken back, shown and compared. The head of the job is the record without a table.
 */
export type Change =
  | { table: TableName; id: string; is: AnyRecord }
  | { table: TableName; id: string; was: AnyRecord }
  | { table: TableName | null; id: string; field: string; was: unknown; is: unknown };

type FieldChange = Extract<Change, { field: string }>;
type Coming = { table: TableName; id: string; is: AnyRecord };
type Going = { table: TableName; id: string; was: AnyRecord };

export const isFieldChange = (change: Change): change is FieldChange => 'field' in change;
export const isComing = (change: Change): change is Coming => !('field' in change) && 'is' in change;
export const isGoing = (change: Change): change is Going => !('field' in change) && 'was' in change;

/** Whether two values of fields are alike: plain values and lists of them. */
export function alike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const fields = Object.keys(left);
  return fields.length === Object.keys(right).length && fields.every((field) => alike(left[field], right[field]));
}

/** Differences of two records of one kind, field by field. */
function recordChanges(table: TableName | null, id: string, was: AnyRecord, is: AnyRecord): Change[] {
  const fields = table === null ? HEAD_FIELDS : Object.keys(tableOf(table).schema.shape);
  return fields.flatMap((field) =>
    alike(was[field], is[field]) ? [] : [{ table, id, field, was: was[field], is: is[field] }],
  );
}

const headChanges = (before: Job, after: Job): Change[] => recordChanges(null, '', before as never, after as never);

function rowChanges(before: Job, after: Job, table: TableName, id: string): Change[] {
  const [was, is] = [rowsOf(before, table)[id], rowsOf(after, table)[id]];
  if (was === is) return [];
  if (!was) return [{ table, id, is: is as AnyRecord }];
  return is ? recordChanges(table, id, was, is) : [{ table, id, was }];
}

/**
 * All differences from one version of a job to another, in the order of the tables. Versions that share records are
 * compared by identity first.
 */
export function diffJobs(before: Job, after: Job): Change[] {
  const changes = headChanges(before, after);
  for (const table of TABLE_NAMES) {
    const [was, is] = [rowsOf(before, table), rowsOf(after, table)];
    if (was === is) continue;
    for (const id in was) changes.push(...rowChanges(before, after, table, id));
    for (const id in is) if (!was[id]) changes.push({ table, id, is: is[id] as AnyRecord });
  }
  return changes;
}

/** Ids of records by table. */
export type Touched = Map<TableName, Set<string>>;

/** Differences of two versions that are known to differ in these records and in the head at most. */
export function diffTouched(before: Job, after: Job, touched: Touched): Change[] {
  const changes = headChanges(before, after);
  for (const table of TABLE_NAMES) {
    for (const id of touched.get(table) ?? []) changes.push(...rowChanges(before, after, table, id));
  }
  return changes;
}

/** The changes that lead back. */
export const invert = (changes: readonly Change[]): Change[] => changes.map(inverse).reverse();

function inverse(change: Change): Change {
  const { table, id } = change;
  if (isFieldChange(change)) return { table, id, field: change.field, was: change.is, is: change.was };
  if (isComing(change)) return { table: change.table, id, was: change.is };
  return isGoing(change) ? { table: change.table, id, is: change.was } : change;
}

/**
 * The job after changes, whatever it was before them. Records that are not touched stay the very same.
 * @throws RangeError when a field is changed of a record that is not there
 */
export function applyChanges(job: Job, changes: readonly Change[]): Job {
  if (changes.length === 0) return job;
  const next = { ...job };
  const own = new Set<TableName>();
  const fresh = new Map<TableName, Map<string, AnyRecord>>();
  for (const change of changes) {
    const { table, id } = change;
    if (table === null) {
      if (isFieldChange(change)) (next as Record<string, unknown>)[change.field] = change.is;
      continue;
    }
    if (!own.has(table)) {
      (next as Record<string, unknown>)[table] = { ...rowsOf(job, table) };
      own.add(table);
      fresh.set(table, new Map());
    }
    const rows = rowsOf(next, table);
    if (isFieldChange(change)) {
      const made = fresh.get(table) as Map<string, AnyRecord>;
      let record = made.get(id);
      if (!record) {
        const there = rows[id];
        if (!there) throw new RangeError(`There is no ${id} in ${table} to change.`);
        record = { ...there };
        made.set(id, record);
        rows[id] = record;
      }
      record[change.field] = change.is;
    } else if (isComing(change)) {
      rows[id] = change.is;
      fresh.get(table)?.delete(id);
    } else delete rows[id];
  }
  for (const table of own) {
    for (const record of fresh.get(table)?.values() ?? []) deepFreeze(record);
    Object.freeze(rowsOf(next, table));
  }
  return Object.freeze(next);
}

/** Seal a value and all that it holds. */
export function deepFreeze(value: unknown): void {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return;
  for (const part of Object.values(value)) deepFreeze(part);
  Object.freeze(value);
}

/** What a change touches, as a key: a record, or one field of it. */
export const touchKey = ({ table, id, ...rest }: Change): string =>
  `${table ?? ''}/${id}${'field' in rest ? `/${rest.field}` : ''}`;

/**
 * Changes that no longer fit, because what they start from is no longer so.
 * @returns those of the given ones that something else came between
 */
export function unfit(job: Job, changes: readonly Change[]): Change[] {
  // A record that these changes bring, and then change further, is judged where it comes.
  return changes.filter((change) => {
    const { table, id } = change;
    if (table === null) return isFieldChange(change) && !alike((job as never)[change.field], change.was);
    const there = rowsOf(job, table)[id];
    if (isFieldChange(change)) return !there || !alike(there[change.field], change.was);
    if (isComing(change)) return there !== undefined;
    return isGoing(change) && (!there || !alike(there, change.was));
  });
}
