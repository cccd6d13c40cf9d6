import { z } from 'zod';
import { UNITS } from '../units/length';
import { PLAIN_SCHEMAS } from './plainTables';
import { Cord } from './records/cord';
import { Id, name } from './records/fields';
import { Gear } from './records/gear';
import { Landing } from './records/landing';
import { Network } from './records/network';
import { Placement } from './records/placement';
import { Rack } from './records/rack';
import { Run } from './records/run';

/** The record tables of a job: the name of each and the schema of its rows. */
export const TABLES = {
  racks: Rack,
  gear: Gear,
  placements: Placement,
  networks: Network,
  runs: Run,
  landings: Landing,
  cords: Cord,
  ...PLAIN_SCHEMAS,
} as const;
export type TableName = keyof typeof TABLES;
export type RecordOf<T extends TableName> = z.infer<(typeof TABLES)[T]>;
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];

export const JobHead = z.strictObject({
  id: Id,
  name: name(),
  units: z.enum(UNITS).default('metric'),
});
export type JobHead = z.infer<typeof JobHead>;

/** One job: its head and flat tables of records by id. Everything computable is computed, never kept here. */
export type Job = JobHead & { [T in TableName]: Record<string, RecordOf<T>> };

export function emptyJob(head: JobHead): Job {
  const tables = Object.fromEntries(TABLE_NAMES.map((table) => [table, {}]));
  return { ...head, ...tables } as Job;
}
