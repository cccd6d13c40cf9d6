import { defineEntity, type EntitySchema, type InferEntity, p } from '@mikro-orm/core';
import type { z } from 'zod';
import type { Change } from '../core/job/document/change';
import type { CareDue } from '../core/job/document/jobListing';
import { TABLE_NAMES, type TableName, tableOf } from '../core/job/document/tables';

/*
 * One entity a table. Records of a job have the key (job, id), since ids are only unique within their job. Foreign
 * keys, deferred unique constraints and the exclusion of shared units stand in the migrations: the ORM maps rows, the
 * database guards them.
 */

export const JobRow = defineEntity({
  name: 'JobRow',
  tableName: 'job',
  properties: {
    id: p.string().primary(),
    name: p.string(),
    units: p.string(),
    rules: p.string(),
    country: p.string(),
    /** Another one for every job that is put in, so that what was made of an earlier one is never taken for this one's. */
    history: p.string(),
    revision: p.integer(),
    /** Batch id of the step that led to this revision; empty at 0. */
    tip: p.string(),
    createdAt: p.datetime().defaultRaw('now()'),
    updatedAt: p.datetime().defaultRaw('now()'),
    removedAt: p.datetime().nullable(),
    /** Null where there are no accounts. */
    firmId: p.string().nullable(),
    /** New jobs of its firm start from it. */
    isTemplate: p.boolean().default(false),
    /** What is to be looked after and when, soonest first; null where it was not worked out since the job changed. */
    care: p.json<CareDue[]>().nullable(),
  },
});

export const StepRow = defineEntity({
  name: 'StepRow',
  tableName: 'step',
  properties: {
    jobId: p.string().primary(),
    revision: p.integer().primary(),
    batchId: p.string(),
    /** `do`, `undo` or `redo`. */
    kind: p.string(),
    /** The revision that an undo or redo is about. */
    target: p.integer().nullable(),
    /** Of a `do`: `done`, `undone`, or `dropped` once something else was done after the undo. */
    state: p.string(),
    label: p.string(),
    actorId: p.string(),
    actorName: p.string(),
    /** The revision that the person saw who made it. */
    seen: p.integer(),
    /** Version of the schemas that its values were written by. */
    schema: p.integer(),
    changes: p.json<Change[]>(),
    at: p.datetime().defaultRaw('now()'),
  },
});
export type StepRow = InferEntity<typeof StepRow>;

export const SnapshotRow = defineEntity({
  name: 'SnapshotRow',
  tableName: 'snapshot',
  properties: {
    jobId: p.string().primary(),
    revision: p.integer().primary(),
    schema: p.integer(),
    /** The job as the text of its JSON. */
    body: p.text(),
  },
});

export const VersionRow = defineEntity({
  name: 'VersionRow',
  tableName: 'version',
  properties: {
    jobId: p.string().primary(),
    id: p.string().primary(),
    revision: p.integer(),
    name: p.string(),
    note: p.string(),
    actorId: p.string(),
    actorName: p.string(),
    at: p.datetime().defaultRaw('now()'),
  },
});

// biome-ignore lint/suspicious/noExplicitAny: each table has an entity type of its own
export type AnyEntity = EntitySchema<any, never>;
type Def = { type: string; innerType?: z.ZodType };
const defOf = (schema: z.ZodType) => schema._zod.def as unknown as Def;

/** The column of a field, from its schema: what is true of a record stands in its own file only. */
function columnOf(schema: z.ZodType, nullable = false): object {
  const { type, innerType } = defOf(schema);
  if (innerType) return columnOf(innerType, nullable || type === 'nullable');
  // A choice of numbers is a whole number.
  const whole = type === 'union' || (type === 'number' && (schema as z.ZodNumber).format === 'safeint');
  const columns: Record<string, () => { nullable: () => object }> = {
    boolean: () => p.boolean(),
    array: () => p.json(),
    object: () => p.json(),
    number: () => (whole ? p.integer() : p.double()),
    union: () => p.integer(),
  };
  const column = (columns[type] ?? (() => p.string()))();
  return nullable ? column.nullable() : column;
}

function isJson(schema: z.ZodType): boolean {
  const { type, innerType } = defOf(schema);
  return type === 'array' || type === 'object' || (innerType !== undefined && isJson(innerType));
}

/** Fields of a table that are kept as JSON. */
export const jsonFields = (table: TableName): string[] =>
  Object.entries(tableOf(table).schema.shape).flatMap(([field, schema]) =>
    isJson(schema as z.ZodType) ? [field] : [],
  );

/** Columns that guard what no two rows may share, one for each key of the table. */
export const keyColumns = (table: TableName): string[] => tableOf(table).keys.map((_, at) => `key${at + 1}`);

function entityOf(table: TableName): AnyEntity {
  const { row, schema, derived } = tableOf(table);
  const { id: _, ...fields } = schema.shape as Record<string, z.ZodType>;
  return defineEntity({
    name: `${table.charAt(0).toUpperCase()}${table.slice(1)}Row`,
    tableName: row,
    properties: {
      jobId: p.string().primary(),
      id: p.string().primary(),
      ...Object.fromEntries(Object.entries(fields).map(([field, one]) => [field, columnOf(one)])),
      ...Object.fromEntries(
        keyColumns(table).map((column) => [column, p.string().nullable().fieldName(columnName(column))]),
      ),
      ...(derived ? { [derived.column]: p.integer() } : {}),
    },
  }) as unknown as AnyEntity;
}

/** How a field is called in the database. */
export const columnName = (field: string): string =>
  field.replace(/^key(\d)$/, 'key_$1').replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** The entity of each record table. */
export const RECORD_ENTITIES = Object.fromEntries(TABLE_NAMES.map((table) => [table, entityOf(table)])) as Record<
  TableName,
  AnyEntity
>;

export const ENTITIES = [JobRow, StepRow, SnapshotRow, VersionRow, ...Object.values(RECORD_ENTITIES)];
