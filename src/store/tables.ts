import type { EntityManager } from '@mikro-orm/postgresql';
import type { z } from 'zod';
import type { Job } from '../core/job/document/job';
import { type AnyRecord, rowsOf, TABLE_NAMES, type TableName, tableOf } from '../core/job/document/tables';
import { columnName, jsonFields } from './entities';
import { runSql } from './runSql';

const JSON_FIELDS = Object.fromEntries(TABLE_NAMES.map((table) => [table, jsonFields(table)])) as Record<
  TableName,
  string[]
>;

/** The row of a record by its columns, with those that constraints need beside the record's own fields. */
function toRow(table: TableName, record: AnyRecord, job: Job): Record<string, unknown> {
  const { derived, keys } = tableOf(table);
  const row: Record<string, unknown> = { job_id: job.id };
  for (const [field, column] of COLUMNS[table]) row[column] = record[field];
  keys.forEach((key, at) => {
    row[`key_${at + 1}`] = key.of(record);
  });
  if (derived) row[columnName(derived.column)] = derived.of(job, record);
  return row;
}

const COLUMNS = Object.fromEntries(
  TABLE_NAMES.map((table) => [
    table,
    Object.keys(tableOf(table).schema.shape).map((field) => [field, columnName(field)] as const),
  ]),
) as Record<TableName, (readonly [field: string, column: string])[]>;

/** Rows of a table from one value of JSON; those that are there become as given. */
const WRITES = Object.fromEntries(
  TABLE_NAMES.map((table) => {
    const { row, keys, derived } = tableOf(table);
    const own = [
      ...COLUMNS[table].map(([, column]) => column).filter((column) => column !== 'id'),
      ...keys.map((_, at) => `key_${at + 1}`),
      ...(derived ? [columnName(derived.column)] : []),
    ];
    const all = ['job_id', 'id', ...own].map((column) => `"${column}"`).join(', ');
    const set = own.map((column) => `"${column}" = excluded."${column}"`).join(', ');
    return [
      table,
      `insert into public."${row}" (${all}) select ${all} from json_populate_recordset(null::public."${row}", ?::json)
        on conflict (job_id, id) do update set ${set}`,
    ];
  }),
) as Record<TableName, string>;

/** Write records of one table. */
export async function writeRecords(em: EntityManager, table: TableName, records: AnyRecord[], job: Job): Promise<void> {
  const rows = records.map((record) => toRow(table, record, job));
  await runSql(em, WRITES[table], [JSON.stringify(rows)]);
}

/** A table of one job as one value of JSON, its rows in the order of their ids. @param of the job's id, as SQL */
const readOne = (table: TableName, of: string): string => {
  const columns = Object.keys(tableOf(table).schema.shape).map((field) => `"${columnName(field)}" as "${field}"`);
  return `(select coalesce(json_agg(one), '[]')::text from (select ${columns.join(', ')} from "${tableOf(table).row}"
    where job_id = ${of} order by id collate "C") as one) as "${table}"`;
};

function takeTables(job: Job, tables: readonly TableName[], row: Readonly<Record<string, string>> | undefined): void {
  for (const table of tables) {
    const records = rowsOf(job, table);
    const { shape } = tableOf(table).schema;
    for (const record of JSON.parse(row?.[table] ?? '[]') as AnyRecord[]) {
      // Parts of a record have no columns, so that those kept by an earlier version get here what they lack.
      for (const field of JSON_FIELDS[table]) record[field] = (shape[field] as z.ZodType).parse(record[field]);
      records[record.id] = record;
    }
  }
}

/** Read tables of a job into it, in one question. The database writes them as JSON: nothing else is as quick. */
export async function readTables(em: EntityManager, job: Job, tables: readonly TableName[]): Promise<void> {
  const [row] = await em.execute<Record<string, string>[]>(
    `select ${tables.map((table) => readOne(table, '?')).join(', ')}`,
    tables.map(() => job.id),
  );
  takeTables(job, tables, row);
}

/**
 * Read some tables of many jobs into them, and how many records of others there are, in one question for all.
 * @param counted by name: which rows, as the part of a question behind `from`, `job.id` being the job
 */
export async function readTablesOfMany<Counted extends string>(
  em: EntityManager,
  jobs: readonly Job[],
  tables: readonly TableName[],
  counted: Readonly<Record<Counted, string>>,
): Promise<Map<string, Record<Counted, number>>> {
  const names = Object.keys(counted) as Counted[];
  const counts = names.map((name) => `(select count(*)::int from ${counted[name]}) as "count ${name}"`);
  const rows = await em.execute<Record<string, string>[]>(
    `select job.id, ${[...tables.map((table) => readOne(table, 'job.id')), ...counts].join(', ')}
      from json_array_elements_text(?::json) as job(id)`,
    [JSON.stringify(jobs.map(({ id }) => id))],
  );
  const byId = new Map(rows.map((row) => [row.id, row]));
  for (const job of jobs) takeTables(job, tables, byId.get(job.id));
  return new Map(
    jobs.map(({ id }) => {
      const row = byId.get(id);
      const numbers = names.map((name) => [name, Number(row?.[`count ${name}`] ?? 0)] as const);
      return [id, Object.fromEntries(numbers) as Record<Counted, number>];
    }),
  );
}
