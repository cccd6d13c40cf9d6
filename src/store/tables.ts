import type { EntitySchema } from '@mikro-orm/core';
import { type Job, type RecordOf, TABLES, type TableName } from '../core/job/job';
import { sameKey } from '../core/job/jobIndex';
import { CordRow, GearRow, LandingRow, NetworkRow, PlacementRow, RackRow, RunRow } from './entities';

// biome-ignore lint/suspicious/noExplicitAny: each table has an entity type of its own
type AnyEntity = EntitySchema<any, never>;

type Table<T extends TableName> = {
  entity: AnyEntity;
  /** Columns that constraints need beside the record's own fields, from the job the record stands in. */
  derived?: (record: RecordOf<T>, job: Job) => Record<string, unknown>;
  /** Fields that are kept as JSON text. */
  json?: readonly (keyof RecordOf<T>)[];
};

/** How each record table of a job is kept. In this order rows are written. */
export const STORED: { [T in TableName]: Table<T> } = {
  racks: { entity: RackRow },
  gear: { entity: GearRow, derived: (gear) => ({ nameKey: sameKey(gear.name) }), json: ['ports'] },
  placements: {
    entity: PlacementRow,
    derived: ({ gearId, bottomU }, job) => ({ topU: bottomU + (job.gear[gearId]?.heightU ?? 1) - 1 }),
  },
  networks: { entity: NetworkRow, derived: (network) => ({ nameKey: sameKey(network.name) }) },
  runs: { entity: RunRow, derived: (run) => ({ labelKey: sameKey(run.label) }) },
  landings: { entity: LandingRow },
  cords: { entity: CordRow },
};

/** The row of a record. */
export function toRow<T extends TableName>(table: T, record: RecordOf<T>, job: Job): Record<string, unknown> {
  const { derived, json = [] } = STORED[table];
  const texts = json.map((field) => [field, JSON.stringify(record[field])]);
  return { jobId: job.id, ...record, ...derived?.(record, job), ...Object.fromEntries(texts) };
}

const FIELDS = Object.fromEntries(
  (Object.keys(TABLES) as TableName[]).map((table) => [table, Object.keys(TABLES[table].shape)]),
) as Record<TableName, string[]>;

/** The record of a row: just the fields that the record has, in the record's order. */
export function fromRow<T extends TableName>(table: T, row: Record<string, unknown>): RecordOf<T> {
  const json = STORED[table].json as readonly string[] | undefined;
  const value = (field: string) => (json?.includes(field) ? JSON.parse(String(row[field])) : row[field]);
  return Object.fromEntries(FIELDS[table].map((field) => [field, value(field)])) as RecordOf<T>;
}
