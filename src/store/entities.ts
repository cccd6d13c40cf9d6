import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { Patch } from '../core/job/apply';
import type { Command } from '../core/job/commands';
import type { PortGroup } from '../core/job/records/gear';
import { PLAIN_ENTITIES } from './plainEntities';

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

export const RackRow = defineEntity({
  name: 'RackRow',
  tableName: 'rack',
  properties: {
    ...key,
    name: p.string(),
    units: p.integer(),
    depthMm: p.integer(),
    numbering: p.string(),
    frontClearanceMm: p.integer().nullable(),
    ratedLoadKg: p.double().nullable(),
  },
});

export const GearRow = defineEntity({
  name: 'GearRow',
  tableName: 'gear',
  properties: {
    ...key,
    name: p.string(),
    nameKey: p.string(),
    kind: p.string(),
    heightU: p.integer(),
    depthMm: p.integer(),
    massKg: p.double(),
    powerW: p.double(),
    noiseDbA: p.double().nullable(),
    poeBudgetW: p.double(),
    ports: p.json<PortGroup[]>(),
    notes: p.string(),
  },
});

export const PlacementRow = defineEntity({
  name: 'PlacementRow',
  tableName: 'placement',
  properties: {
    ...key,
    gearId: p.string(),
    rackId: p.string(),
    bottomU: p.integer(),
    topU: p.integer(),
  },
});

export const NetworkRow = defineEntity({
  name: 'NetworkRow',
  tableName: 'network',
  properties: {
    ...key,
    name: p.string(),
    nameKey: p.string(),
    code: p.string(),
    colour: p.string(),
    pattern: p.string(),
  },
});

export const RunRow = defineEntity({
  name: 'RunRow',
  tableName: 'run',
  properties: {
    ...key,
    label: p.string(),
    labelKey: p.string(),
    floor: p.string(),
    room: p.string(),
    outlet: p.string(),
    carries: p.string(),
    cable: p.string(),
    lengthMm: p.integer().nullable(),
    device: p.string(),
    speedMbps: p.integer().nullable(),
    poeW: p.double(),
    networkId: p.string().nullable(),
    critical: p.boolean(),
    jacket: p.string(),
    bundle: p.string(),
    entry: p.string().nullable(),
    tailMm: p.integer().nullable(),
    outletHeightMm: p.integer().nullable(),
    state: p.string(),
    origin: p.string(),
    scope: p.string(),
    askedBy: p.string(),
    notes: p.string(),
  },
});

export const LandingRow = defineEntity({
  name: 'LandingRow',
  tableName: 'landing',
  properties: { ...key, runId: p.string(), panelId: p.string(), port: p.integer() },
});

export const CordRow = defineEntity({
  name: 'CordRow',
  tableName: 'cord',
  properties: {
    ...key,
    panelId: p.string(),
    panelPort: p.integer(),
    switchId: p.string(),
    switchPort: p.integer(),
    fixed: p.boolean(),
  },
});

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
