import type { EntityManager } from '@mikro-orm/postgresql';
import { type Job, type RecordOf, TABLES, type TableName } from '../core/job/job';
import { sameKey } from '../core/job/jobIndex';
import { PLAIN_TABLES, type PlainTable, rulesOf } from '../core/job/plainTables';
import { asJson } from './asJson';
import { CordRow, GearRow, LandingRow, NetworkRow, PlacementRow, RackRow, RunRow } from './entities';
import { type AnyEntity, jsonFields, PLAIN_ENTITIES } from './plainEntities';

type Table<T extends TableName> = {
  entity: AnyEntity;
  /** Columns that constraints need beside the record's own fields, from the job the record stands in. */
  derived?: (record: RecordOf<T>, job: Job) => Record<string, unknown>;
  /** Fields that are kept as JSON. */
  json?: readonly (keyof RecordOf<T>)[];
};

function plainTables(): { [T in PlainTable]: Table<T> } {
  const tables = PLAIN_TABLES.map((table) => {
    const { unique } = rulesOf(table);
    const derived = unique && ((row: never) => ({ uniqueKey: unique.key(row) }));
    return [table, { entity: PLAIN_ENTITIES[table], json: jsonFields(table), ...(derived ? { derived } : {}) }];
  });
  return Object.fromEntries(tables);
}

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
  ...plainTables(),
};

/** The row of a record. */
export function toRow<T extends TableName>(table: T, record: RecordOf<T>, job: Job): Record<string, unknown> {
  const { derived, json = [] } = STORED[table];
  const parts = json.map((field) => [field, asJson(record[field])]);
  return { jobId: job.id, ...record, ...derived?.(record, job), ...Object.fromEntries(parts) };
}

const FIELDS = Object.fromEntries(
  (Object.keys(TABLES) as TableName[]).map((table) => [table, Object.keys(TABLES[table].shape)]),
) as Record<TableName, string[]>;

/**
 * All records of one table of a job. Read as plain rows: making entities of them costs five times as much, and a job
 * is read on every change.
 */
export async function readRecords<T extends TableName>(
  em: EntityManager,
  table: T,
  jobId: string,
): Promise<RecordOf<T>[]> {
  const { entity, json = [] } = STORED[table];
  const { tableName, properties } = em.getMetadata().get(entity.meta.className);
  const isJson = (field: string) => (json as readonly string[]).includes(field);
  const columns = FIELDS[table].map((field) => {
    const column = `"${properties[field]?.fieldNames[0]}"`;
    return `${isJson(field) ? `${column}::text` : column} as "${field}"`;
  });
  const rows = await em.execute<Record<string, unknown>[]>(
    `select ${columns.join(', ')} from "${tableName}" where job_id = ?`,
    [jobId],
  );
  for (const row of rows) for (const field of json as readonly string[]) row[field] = JSON.parse(String(row[field]));
  return rows as RecordOf<T>[];
}
