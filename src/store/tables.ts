import type { EntityManager } from '@mikro-orm/postgresql';
import type { z } from 'zod';
import type { Job } from '../core/job/job';
import { type AnyRecord, rowsOf, TABLE_NAMES, type TableName, tableOf } from '../core/job/tables';
import { asJson } from './asJson';
import { columnName, jsonFields, keyColumns } from './entities';

const JSON_FIELDS = Object.fromEntries(TABLE_NAMES.map((table) => [table, jsonFields(table)])) as Record<
  TableName,
  string[]
>;

/** The row of a record, with the columns that constraints need beside its own fields. */
export function toRow(table: TableName, record: AnyRecord, job: Job): Record<string, unknown> {
  const { derived, keys } = tableOf(table);
  const columns = keyColumns(table);
  return {
    jobId: job.id,
    ...record,
    ...Object.fromEntries(JSON_FIELDS[table].map((field) => [field, asJson(record[field])])),
    ...Object.fromEntries(keys.map((key, at) => [columns[at], key.of(record as never)])),
    ...(derived ? { [derived.column]: derived.of(job, record as never) } : {}),
  };
}

/** Each table as one value of JSON, its rows in the order of their ids. */
const readOne = (table: TableName): string => {
  const columns = Object.keys(tableOf(table).schema.shape).map((field) => `"${columnName(field)}" as "${field}"`);
  return `(select coalesce(json_agg(one), '[]')::text from (select ${columns.join(', ')} from "${tableOf(table).row}"
    where job_id = ? order by id collate "C") as one) as "${table}"`;
};

/** Read tables of a job into it, in one question. The database writes them as JSON: nothing else is as quick. */
export async function readTables(em: EntityManager, job: Job, tables: readonly TableName[]): Promise<void> {
  const [row] = await em.execute<Record<string, string>[]>(
    `select ${tables.map(readOne).join(', ')}`,
    tables.map(() => job.id),
  );
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
