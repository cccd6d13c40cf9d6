import type { z } from 'zod';
import type { JobHead } from './jobHead';
import { type Records, TABLE_NAMES } from './tables';

export type { RecordOf, TableName } from './tables';

/** One job: its head and flat tables of records by id. Everything computable is computed, never kept here. */
export type Job = JobHead & Records;

export function emptyJob({ id, name, units = 'metric', rules = 'other', country = '' }: z.input<typeof JobHead>): Job {
  const tables = Object.fromEntries(TABLE_NAMES.map((table) => [table, {}]));
  return { id, name, units, rules, country, ...tables } as Job;
}
