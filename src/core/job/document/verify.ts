import { grouped } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import { type Change, diffJobs, isFieldChange } from './change';
import type { Job } from './job';
import { handOnOrder } from './jobIndex';
import { handOnKeyMaps, keyMap, sharing } from './keyMaps';
import { handOnStamps } from './stamps';
import { type AnyRecord, REFERRING, rowsOf, TABLE_NAMES, type TableName, tableOf } from './tables';

/** `where` is the row, or a field of it; `words` are for a person, `found` for the reader of a file where it says more. */
type Fault = { code: string; words: string; at: string; where: string; found?: string };

/** What of a row points to nothing, or cannot be beside the rest. `whole`: as the store demands it. */
function* rowFaults(job: Job, table: TableName, row: AnyRecord, whole: boolean): Generator<Fault> {
  const { refers, fault, clash, overlap, keys, one } = tableOf(table);
  for (const { field, to } of refers) {
    const id = row[field];
    if (id === null || rowsOf(job, to)[String(id)]) continue;
    const words = `That ${tableOf(to).one} is no longer in the job.`;
    const found = `expected the id of a record in ${to}, found ${id}`;
    yield { code: 'gone', words, found, at: row.id, where: `${row.id}.${field}` };
  }
  const wrong = fault?.(row);
  if (wrong) yield { code: 'cannot-be', words: wrong, at: row.id, where: row.id };
  const against = clash?.(job, row) ?? (whole ? overlap?.(job, row) : null);
  if (against) yield { code: 'clash', words: against, at: row.id, where: row.id };
  if (!whole) return;
  for (const key of keys) {
    if (key.of(row) === '')
      yield { code: 'empty', words: `A ${one} needs a ${key.what}: found none.`, at: row.id, where: row.id };
  }
}

/** Keys that rows of a table share. */
function sharedKeys(job: Job, table: TableName): string[] {
  const { keys, many } = tableOf(table);
  const rows = Object.values(rowsOf(job, table));
  return keys.flatMap((key) =>
    sharing(rows, (row) => key.of(row) || null).map((group) => {
      const [row] = group as [AnyRecord];
      return `${table}: ${group.length} ${many} share ${key.words(row)} (${group.map(({ id }) => id).join(', ')})`;
    }),
  );
}

const named = (table: TableName, { words, found, where }: Fault) => `${table} ${where}: ${found ?? words}`;

/** What does not hold together, in words, each with the record it stands in. A job that has any cannot be read. */
export const looseEnds = (job: Job): string[] =>
  TABLE_NAMES.flatMap((table) =>
    Object.values(rowsOf(job, table)).flatMap((row) =>
      [...rowFaults(job, table, row, false)].map((fault) => named(table, fault)),
    ),
  );

/** What the store does not keep, in words. `check` reports the same as snags; a stored job never has any. */
export const clashes = (job: Job): string[] =>
  TABLE_NAMES.flatMap((table) => [
    ...sharedKeys(job, table),
    ...Object.values(rowsOf(job, table)).flatMap((row) =>
      [...rowFaults(job, table, row, true)].map((fault) => named(table, fault)),
    ),
  ]);

function mustHaveRoom(after: Job, table: TableName): void {
  const { atMost, many } = tableOf(table);
  if (Object.keys(rowsOf(after, table)).length > atMost)
    refuse('job-full', `A job has at most ${grouped(atMost)} ${many}.`);
}

function mustBeOnlyOne(before: Job, after: Job, table: TableName, touched: ReadonlySet<string>): void {
  const { keys, many } = tableOf(table);
  const [was, is] = [rowsOf(before, table), rowsOf(after, table)];
  keys.forEach((key, at) => {
    const keyOf = (row: AnyRecord | undefined) => (row ? key.of(row) : null);
    const renamed = [...touched].filter((id) => keyOf(is[id]) !== keyOf(was[id]));
    if (renamed.length === 0) return;
    const known = keyMap(before, table, at);
    const own = new Map<string, string>();
    for (const id of renamed) {
      const row = is[id];
      const of = keyOf(row);
      if (!row || of === null) continue;
      const stands = known.get(of);
      // One that gives the key up in the same step does not stand in the way.
      const otherId = own.get(of) ?? (stands !== undefined && keyOf(is[stands]) === of ? stands : undefined);
      const other = otherId === undefined ? undefined : is[otherId];
      if (other)
        refuse(
          'taken',
          key.taken?.(other, (gearId) => after.gear[gearId]?.name ?? '') ??
            `Two ${many} cannot share ${key.words(row)}.`,
          id,
        );
      own.set(of, id);
    }
  });
}

/** Rows that are to be looked at again, since what they refer to changed. */
function* minding(after: Job, table: TableName, ids: ReadonlySet<string>): Generator<[TableName, string]> {
  const gone = [...ids].some((id) => !rowsOf(after, table)[id]);
  for (const { table: from, field } of REFERRING[table]) {
    if (!gone && !tableOf(from).minds.includes(table)) continue;
    for (const row of Object.values(rowsOf(after, from))) if (ids.has(String(row[field]))) yield [from, row.id];
  }
}

/**
 * Refuse what a change leads to when it cannot be kept: the rules of every table, asked of the rows that changed and of
 * those that refer to them. Whatever passes here can be stored, written to a file and read again.
 * @throws Refusal in words
 */
export function verify(before: Job, after: Job, changes: readonly Change[] = diffJobs(before, after)): void {
  const touched = new Map<TableName, Set<string>>();
  for (const { table, id } of changes) {
    if (table === null) continue;
    const ids = touched.get(table);
    if (ids) ids.add(id);
    else touched.set(table, new Set([id]));
  }
  const again = new Map<string, [TableName, string]>();
  for (const [table, ids] of touched) {
    if ([...ids].some((id) => !rowsOf(before, table)[id])) mustHaveRoom(after, table);
    mustBeOnlyOne(before, after, table, ids);
    for (const id of ids) again.set(`${table}/${id}`, [table, id]);
    for (const [from, id] of minding(after, table, ids)) again.set(`${from}/${id}`, [from, id]);
  }
  for (const [table, id] of again.values()) {
    const row = rowsOf(after, table)[id];
    if (!row) continue;
    for (const { code, words, at } of rowFaults(after, table, row, true)) refuse(code, words, at);
  }
  for (const [table, ids] of touched) handOnKeyMaps(before, after, table, ids);
  const sameOrder = (change: Change) => change.table !== 'runs' || (isFieldChange(change) && change.field !== 'label');
  const runs = touched.get('runs');
  if (runs && changes.every(sameOrder)) handOnOrder(before.runs, after.runs, runs);
  for (const table of touched.keys()) {
    const own = changes.filter((change) => change.table === table);
    if (own.every(isFieldChange))
      handOnStamps(
        before,
        after,
        table,
        own.map(({ field }) => field),
      );
  }
}
