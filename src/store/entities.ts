import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { z } from 'zod';
import type { Patch } from '../core/job/apply';
import type { Command } from '../core/job/commands';
import { Cord } from '../core/job/records/cord';
import { Gear } from '../core/job/records/gear';
import { Landing } from '../core/job/records/landing';
import { Network } from '../core/job/records/network';
import { Placement } from '../core/job/records/placement';
import { Rack } from '../core/job/records/rack';
import { Run } from '../core/job/records/run';
import { type AnyEntity, columnsOf, PLAIN_ENTITIES } from './plainEntities';

/*
 * One entity a table. Records of a job have the key (job, id), since ids are only unique within their job. Foreign
 * keys, deferred unique constraints and the exclusion of shared units stand in the migrations: the ORM maps rows, the
 * database guards them.
 */
const key = { jobId: p.string().primary(), id: p.string().primary() };

export const JobRow = defineEntity({
  name: 'JobRow',
  tableName: 'job',
  properties: {
    id: p.string().primary(),
    name: p.string(),
    units: p.string(),
    revision: p.integer(),
    createdAt: p.datetime().defaultRaw('now()'),
    updatedAt: p.datetime().defaultRaw('now()'),
    removedAt: p.datetime().nullable(),
  },
});
export type JobRow = InferEntity<typeof JobRow>;

const recordRow = (
  name: string,
  tableName: string,
  record: z.ZodObject,
  more: Record<string, object> = {},
): AnyEntity =>
  defineEntity({ name, tableName, properties: { ...key, ...columnsOf(record), ...more } }) as unknown as AnyEntity;

export const RackRow = recordRow('RackRow', 'rack', Rack);
export const GearRow = recordRow('GearRow', 'gear', Gear, { nameKey: p.string() });
export const PlacementRow = recordRow('PlacementRow', 'placement', Placement, { topU: p.integer() });

export const NetworkRow = recordRow('NetworkRow', 'network', Network, { nameKey: p.string() });
export const RunRow = recordRow('RunRow', 'run', Run, { labelKey: p.string() });
export const LandingRow = recordRow('LandingRow', 'landing', Landing);
export const CordRow = recordRow('CordRow', 'cord', Cord);

export const LogRow = defineEntity({
  name: 'LogRow',
  tableName: 'command_log',
  properties: {
    jobId: p.string().primary(),
    revision: p.integer().primary(),
    batchId: p.string(),
    /** `do`, `undo` or `redo`. */
    kind: p.string(),
    /** The revision that an undo or redo is about. */
    target: p.integer().nullable(),
    /** Of a `do`: `done`, `undone`, or `dropped` once something else was done after the undo. */
    standing: p.string(),
    label: p.string(),
    commands: p.json<Command[]>(),
    patches: p.json<Patch[]>(),
    inverse: p.json<Patch[]>(),
    at: p.datetime().defaultRaw('now()'),
  },
});
export type LogRow = InferEntity<typeof LogRow>;

export const ENTITIES = [
  JobRow,
  RackRow,
  GearRow,
  PlacementRow,
  NetworkRow,
  RunRow,
  LandingRow,
  CordRow,
  LogRow,
  ...Object.values(PLAIN_ENTITIES),
];
