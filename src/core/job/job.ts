import { z } from 'zod';
import { Id, name } from '../records/fields';
import { UNITS } from '../units/length';
import { type Records, TABLE_NAMES } from './tables';

export type { RecordOf, TableName } from './tables';

export const JobHead = z.strictObject({
  id: Id,
  name: name(),
  units: z.enum(UNITS).default('metric'),
});
export type JobHead = z.infer<typeof JobHead>;
/** What of the head a person can change. */
export const HEAD_FIELDS = ['name', 'units'] as const satisfies readonly (keyof JobHead)[];

/** One job: its head and flat tables of records by id. Everything computable is computed, never kept here. */
export type Job = JobHead & Records;

export function emptyJob(head: JobHead): Job {
  const tables = Object.fromEntries(TABLE_NAMES.map((table) => [table, {}]));
  return { ...head, ...tables } as Job;
}
