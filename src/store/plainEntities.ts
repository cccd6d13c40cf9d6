import { defineEntity, type EntitySchema, p } from '@mikro-orm/core';
import type { z } from 'zod';
import { PLAIN_RULES, PLAIN_SCHEMAS, PLAIN_TABLES, type PlainTable } from '../core/job/plainTables';

// biome-ignore lint/suspicious/noExplicitAny: each table has an entity type of its own
export type AnyEntity = EntitySchema<any, never>;

/** Tables in the database are named after one row. */
export const TABLE_OF: Record<PlainTable, string> = {
  floors: 'floor',
  rooms: 'room',
  places: 'place',
  wishes: 'wish',
  answers: 'answer',
  openPoints: 'open_point',
  cableKinds: 'cable_kind',
  boxes: 'box',
  cuts: 'cut',
  pathways: 'pathway',
  passages: 'passage',
  jacks: 'jack',
  tones: 'tone',
  shelvings: 'shelving',
  neighbours: 'neighbour',
  mounts: 'mount',
  allowances: 'allowance',
  portNetworks: 'port_network',
  uplinks: 'uplink',
  terminations: 'termination',
};

/** The column of a field, from its schema: what is true of a record stands in its own file only. */
function columnOf(schema: z.ZodType, nullable = false): object {
  const { def } = schema._zod as unknown as { def: { type: string; innerType?: z.ZodType; checks?: unknown[] } };
  if (def.type === 'default' && def.innerType) return columnOf(def.innerType, nullable);
  if (def.type === 'nullable' && def.innerType) return columnOf(def.innerType, true);
  // A choice of numbers is a whole number.
  const whole = def.type === 'union' || (def.type === 'number' && (schema as z.ZodNumber).format === 'safeint');
  const column =
    def.type === 'boolean'
      ? p.boolean()
      : def.type === 'array'
        ? p.json()
        : def.type === 'number' || def.type === 'union'
          ? whole
            ? p.integer()
            : p.double()
          : p.string();
  return nullable ? column.nullable() : column;
}

const isJson = (schema: z.ZodType): boolean => {
  const { def } = schema._zod as unknown as { def: { type: string; innerType?: z.ZodType } };
  return def.type === 'array' || (def.innerType !== undefined && isJson(def.innerType));
};

/** Fields of a plain table that are kept as JSON. */
export const jsonFields = (table: PlainTable): string[] =>
  Object.entries(PLAIN_SCHEMAS[table].shape).flatMap(([field, schema]) => (isJson(schema) ? [field] : []));

/** The columns of a record's fields but its id. */
export function columnsOf(record: z.ZodObject): Record<string, object> {
  const { id: _, ...fields } = record.shape as Record<string, z.ZodType>;
  return Object.fromEntries(Object.entries(fields).map(([field, schema]) => [field, columnOf(schema)]));
}

function entityOf(table: PlainTable): AnyEntity {
  return defineEntity({
    name: `${table.charAt(0).toUpperCase()}${table.slice(1)}Row`,
    tableName: TABLE_OF[table],
    properties: {
      jobId: p.string().primary(),
      id: p.string().primary(),
      ...columnsOf(PLAIN_SCHEMAS[table]),
      ...(PLAIN_RULES[table].unique ? { uniqueKey: p.string() } : {}),
    },
  }) as unknown as AnyEntity;
}

/** The entity of each plain table. */
export const PLAIN_ENTITIES = Object.fromEntries(PLAIN_TABLES.map((table) => [table, entityOf(table)])) as Record<
  PlainTable,
  AnyEntity
>;
