import { z } from 'zod';
import { counted } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import { sameKey } from '../../base/text/sameKey';
import type { Job } from '../document/job';
import {
  type AnyRecord,
  type RecordOf,
  rowsOf,
  TABLE_NAMES,
  type TableName,
  type TableRow,
  tableOf,
} from '../document/tables';
import { Id } from '../records/fields';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { freeLandings } from './freeLandings';
import { lookUpRow } from './lookUp';
import { removeRows } from './removeRows';

const MOST = 20_000;
type Options = [z.ZodObject, ...z.ZodObject[]];
const options = (of: (table: TableName) => z.ZodRawShape) =>
  TABLE_NAMES.map((table) => z.strictObject({ table: z.literal(table), ...of(table) })) as unknown as Options;

/** A row of any table, named with it. */
export const Row: z.ZodType<TableRow, TableRow> = z.lazy(() =>
  z.discriminatedUnion(
    'table',
    options((table) => ({ record: tableOf(table).schema })),
  ),
) as never;

/** Fields of a row that become something else; the others stay as they are. */
export type RowEdit = {
  [T in TableName]: { table: T; id: string; changes: Partial<Omit<RecordOf<T>, 'id'>> };
}[TableName];
/** @param changes fields of this very table */
export const rowEdit = (table: TableName, id: string, changes: Record<string, unknown>): RowEdit =>
  ({ table, id, changes }) as unknown as RowEdit;
export const RowEdit: z.ZodType<RowEdit, RowEdit> = z.lazy(() =>
  z.discriminatedUnion(
    'table',
    options((table) => ({ id: Id, changes: changesOf(tableOf(table).schema) })),
  ),
) as never;

const exactly = {
  exact: z.boolean().optional().describe('nothing follows of itself: a new name of a room is not carried to its runs'),
};

/** Where runs and jacks name a floor or a room by its old name, they take the new one. */
function carryName(job: Job, base: Job, table: TableName, was: AnyRecord, is: AnyRecord): void {
  if ((table !== 'floors' && table !== 'rooms') || was.name === is.name) return;
  const old = sameKey(String(was.name));
  const floorKey = table === 'rooms' ? sameKey(job.floors[String(is.floorId)]?.name ?? '') : null;
  const field = table === 'floors' ? 'floor' : 'room';
  for (const from of ['runs', 'jacks'] as const) {
    for (const { id } of Object.values(base[from])) {
      const row = job[from][id];
      if (!row || sameKey(row[field]) !== old) continue;
      if (floorKey === null || sameKey(row.floor) === floorKey) row[field] = String(is.name);
    }
  }
}

function titled(verb: string, table: TableName, record: AnyRecord | undefined): string {
  const { one, title } = tableOf(table);
  return [verb, one, record && title(record)].filter(Boolean).join(' ');
}

/** Rows of several tables, named by the first of them. */
function severalTables(verb: string, rows: readonly { table: TableName }[]): string {
  const table = rows[0]?.table ?? 'runs';
  const count = rows.filter((row) => row.table === table).length;
  const { one, many } = tableOf(table);
  const rest = rows.length - count;
  return `${verb} ${counted(count, one, many)}${rest > 0 ? ` and ${rest} more` : ''}`;
}

/** @throws Refusal where rows of a table are only ever added */
function keepAdded(table: TableName, id: string): void {
  const { onlyAdded, one, many } = tableOf(table);
  if (onlyAdded) refuse('only-added', `No ${one} is changed or removed: ${many} are only ever added.`, id);
}

/** Keep rows as given: new ones are added, known ones replaced. */
export const keepRows = commandKind({
  schema: z.strictObject({ type: z.literal('keepRows'), rows: z.array(Row).min(1).max(MOST), ...exactly }),
  apply: (job, { rows, exact = false }, base) => {
    for (const { table, record } of rows) {
      const is = record as AnyRecord;
      const was = rowsOf(job, table)[is.id];
      if (was && !exact) keepAdded(table, is.id);
      if (was && !exact) carryName(job, base, table, { ...was }, is);
      rowsOf(job, table)[is.id] = is;
    }
  },
  describe: (job, { rows }) => {
    const [first] = rows;
    if (!first) return 'Keep nothing';
    const verb = rowsOf(job, first.table)[first.record.id] ? 'Change' : 'Add';
    if (rows.length > 1) return severalTables(verb, rows);
    return titled(verb, first.table, first.record as AnyRecord);
  },
});

/** Change fields of rows, and leave their other fields as they are. */
export const editRows = commandKind({
  schema: z.strictObject({ type: z.literal('editRows'), edits: z.array(RowEdit).min(1).max(MOST), ...exactly }),
  apply: (job, { edits, exact = false }, base) => {
    for (const { table, id, changes } of edits) {
      if (!exact) keepAdded(table, id);
      const row = lookUpRow(job, table, id);
      const was = { ...row };
      Object.assign(row, changes);
      if (!exact) carryName(job, base, table, was, row);
    }
  },
  describe: (job, { edits }) => {
    const [first] = edits;
    if (!first) return 'Change nothing';
    if (edits.length > 1) return severalTables('Change', edits);
    return titled('Change', first.table, rowsOf(job, first.table)[first.id]);
  },
});

/** Drop rows, and what goes with them. */
export const dropRows = commandKind({
  schema: z.strictObject({
    type: z.literal('dropRows'),
    table: z.enum(TABLE_NAMES as [TableName, ...TableName[]]),
    ids: z.array(Id).min(1).max(MOST),
    exact: z.boolean().optional().describe('of what is only ever added too: back to an earlier version'),
  }),
  apply: (job, { table, ids, exact = false }, base) => {
    for (const id of ids) {
      if (!exact) keepAdded(table, id);
      if (!rowsOf(job, table)[id]) refuse('gone', `That ${tableOf(table).one} is no longer in the job.`, id);
    }
    if (table === 'runs') freeLandings(job, ids, base);
    removeRows(job, table, ids, base);
  },
  describe: (job, { table, ids }) => {
    const { one, many } = tableOf(table);
    const only = ids.length === 1 ? rowsOf(job, table)[ids[0] ?? ''] : undefined;
    return only ? titled('Remove', table, only) : `Remove ${counted(ids.length, one, many)}`;
  },
});
