import { type AnyRecord, type Records, rowsOf, type TableName, tableOf } from './tables';

/** For each field of a table a token, which stays the very same while no row has another value there. */
export type Stamps = Readonly<Record<string, object>>;

const known = new WeakMap<object, Stamps>();
/** The version of each table that was stamped last: the next one asked for is nearly always one change away from it. */
const last = new Map<TableName, { rows: Record<string, AnyRecord>; stamps: Stamps }>();

function stampAnew(table: TableName): Stamps {
  return Object.fromEntries(Object.keys(tableOf(table).schema.shape).map((field) => [field, {}]));
}

/** Fields in which two versions of a table differ; null when rows came or went. */
function changedFields(
  was: Record<string, AnyRecord>,
  is: Record<string, AnyRecord>,
  fields: readonly string[],
): Set<string> | null {
  const changed = new Set<string>();
  let count = 0;
  for (const id in is) {
    count += 1;
    const [old, record] = [was[id], is[id] as AnyRecord];
    if (!old) return null;
    if (old === record) continue;
    for (const field of fields) if (old[field] !== record[field]) changed.add(field);
  }
  return Object.keys(was).length === count ? changed : null;
}

/** The tokens of a table, so that what is worked out of some of its fields is kept while only others change. */
export function stampsOf(records: Records, table: TableName): Stamps {
  const rows = rowsOf(records, table);
  const there = known.get(rows);
  if (there) return there;
  const before = last.get(table);
  const fields = Object.keys(tableOf(table).schema.shape);
  const changed = before ? changedFields(before.rows, rows, fields) : null;
  const stamps =
    before && changed
      ? Object.fromEntries(fields.map((field) => [field, changed.has(field) ? {} : (before.stamps[field] ?? {})]))
      : stampAnew(table);
  // A draft changes in place: only what is final is kept.
  if (Object.isFrozen(rows)) {
    known.set(rows, stamps);
    last.set(table, { rows, stamps });
  }
  return stamps;
}

/** Hand the tokens of a table on to its next version, which differs in these fields of rows that were there before. */
export function handOnStamps(before: Records, after: Records, table: TableName, changed: Iterable<string>): void {
  const [was, is] = [rowsOf(before, table), rowsOf(after, table)];
  const stamps = known.get(was);
  if (!stamps || known.has(is) || !Object.isFrozen(is)) return;
  const next = { ...stamps, ...Object.fromEntries([...changed].map((field) => [field, {}])) };
  known.set(is, next);
  last.set(table, { rows: is, stamps: next });
}
