import { z } from 'zod';
import { counted } from '../../text/counted';
import { sameKey } from '../../text/sameKey';
import { sharing } from '../clashes';
import type { Job, TableName } from '../job';
import { PLAIN_SCHEMAS, PLAIN_TABLES, type PlainTable, rulesOf } from '../plainTables';
import { Id } from '../records/fields';
import { refuse } from '../refusal';
import { commandKind } from './command';
import { lookUp } from './lookUp';

const MOST = 10_000;
const rowOf = <T extends PlainTable>(table: T) =>
  z.strictObject({ table: z.literal(table), record: PLAIN_SCHEMAS[table] });

export const PlainRow = z.discriminatedUnion('table', [
  rowOf('floors'),
  rowOf('rooms'),
  rowOf('places'),
  rowOf('wishes'),
  rowOf('answers'),
  rowOf('openPoints'),
  rowOf('cableKinds'),
  rowOf('boxes'),
  rowOf('cuts'),
  rowOf('pathways'),
  rowOf('passages'),
  rowOf('jacks'),
  rowOf('tones'),
  rowOf('neighbours'),
  rowOf('mounts'),
  rowOf('allowances'),
  rowOf('portNetworks'),
  rowOf('uplinks'),
  rowOf('terminations'),
]);
export type PlainRow = z.infer<typeof PlainRow>;

type AnyRow = { id: string } & Record<string, unknown>;
const rowsOf = (job: Job, table: TableName) => job[table] as unknown as Record<string, AnyRow>;

/**
 * Where runs and jacks name a floor or a room by its old name, they take the new one.
 * @returns whether any name was carried
 */
function carryName(job: Job, { table, record }: PlainRow): boolean {
  if (table !== 'floors' && table !== 'rooms') return false;
  const was = job[table][record.id];
  if (!was || was.name === record.name) return false;
  const floorKey = table === 'rooms' ? sameKey(job.floors[record.floorId]?.name ?? '') : null;
  const field = table === 'floors' ? 'floor' : 'room';
  for (const row of [...Object.values(job.runs), ...Object.values(job.jacks)]) {
    if (sameKey(row[field]) !== sameKey(was.name)) continue;
    if (floorKey === null || sameKey(row.floor) === floorKey) row[field] = record.name;
  }
  const key = rulesOf('jacks').unique?.key as unknown as (row: unknown) => string;
  for (const [jack] of sharing(Object.values(job.jacks), key)) {
    const place = [jack?.room, jack?.outlet].filter(Boolean).join(' ');
    refuse('taken', `With that name two jacks would be ${place}: one is listed there already.`, record.id);
  }
  return true;
}

/** Keep rows of plain tables as given: new ones are added, known ones replaced. Rows later in the list may point at earlier ones. */
export const keepRows = commandKind({
  schema: z.strictObject({ type: z.literal('keepRows'), rows: z.array(PlainRow).min(1).max(MOST) }),
  apply: (job, { rows }) => {
    const uniques = new Map<PlainTable, Map<string, string>>();
    const keysOf = (table: PlainTable) => {
      const known = uniques.get(table);
      if (known) return known;
      const key = rulesOf(table).unique?.key as unknown as ((row: AnyRow) => string) | undefined;
      const map = new Map(key ? Object.values(rowsOf(job, table)).map((row) => [key(row), row.id]) : []);
      uniques.set(table, map);
      return map;
    };
    for (const row of rows) {
      const { table, record } = row;
      const { unique, refers, fault, clash } = rulesOf(table);
      const fields = record as AnyRow;
      for (const { field, to } of refers) if (fields[field] !== null) lookUp(job, to, String(fields[field]));
      const wrong = fault?.(record as never);
      if (wrong) refuse('cannot-be', wrong, record.id);
      const against = clash?.(job, record as never);
      if (against) refuse('clash', against, record.id);
      if (unique) {
        const keys = keysOf(table);
        const was = rowsOf(job, table)[record.id];
        const [key, words] = [unique.key as unknown as (row: AnyRow) => string, unique.words];
        const other = keys.get(key(fields));
        if (other !== undefined && other !== record.id)
          refuse('taken', `Two ${rulesOf(table).noun} rows cannot share ${words(record as never)}.`, record.id);
        if (was) keys.delete(key(was));
        keys.set(key(fields), record.id);
      }
      if (carryName(job, row)) uniques.delete('jacks');
      rowsOf(job, table)[record.id] = fields;
    }
  },
  describe: (job, { rows }) => {
    const [first] = rows;
    if (!first) return 'Keep nothing';
    const { noun, nouns, title } = rulesOf(first.table);
    const verb = rowsOf(job, first.table)[first.record.id] ? 'Change' : 'Add';
    if (rows.length > 1) return `${verb} ${counted(rows.length, noun, nouns)}`;
    return [verb, noun, title(first.record as never)].filter(Boolean).join(' ');
  },
});

/** Drop the rows of every plain table that point at these, and the rows that point at those. */
export function dropReferring(job: Job, to: TableName, ids: Iterable<string>): void {
  const gone = new Set(ids);
  if (gone.size === 0) return;
  for (const table of PLAIN_TABLES) {
    for (const { field, to: target } of rulesOf(table).refers) {
      if (target !== to) continue;
      const dropped = Object.values(rowsOf(job, table)).filter((row) => gone.has(String(row[field])));
      for (const row of dropped) delete rowsOf(job, table)[row.id];
      dropReferring(
        job,
        table,
        dropped.map((row) => row.id),
      );
    }
  }
}

/** Drop rows of a plain table, and what points at them. */
export const dropRows = commandKind({
  schema: z.strictObject({
    type: z.literal('dropRows'),
    table: z.enum(PLAIN_TABLES as [PlainTable, ...PlainTable[]]),
    ids: z.array(Id).min(1).max(MOST),
  }),
  apply: (job, { table, ids }) => {
    for (const id of ids) {
      lookUp(job, table, id);
      delete job[table][id];
    }
    dropReferring(job, table, ids);
  },
  describe: (job, { table, ids }) => {
    const { noun, nouns, title } = rulesOf(table);
    const only = ids.length === 1 ? rowsOf(job, table)[ids[0] ?? ''] : undefined;
    return only
      ? ['Remove', noun, title(only as never)].filter(Boolean).join(' ')
      : `Remove ${counted(ids.length, noun, nouns)}`;
  },
});
