import fc from 'fast-check';
import type { z } from 'zod';
import type { Job } from '../../src/core/job/document/job';
import type { TableName } from '../../src/core/job/document/tables';
import { TABLES } from '../../src/core/job/document/tables';
import { anyField } from './anyField';

type Row = Record<string, unknown> & { id: string };
type Rows = Record<string, Row>;
type Def = { type: string; innerType?: z.ZodType };

// Zod types its definitions by kind of schema; which kind is only known when it is asked.
const defOf = (schema: z.ZodType): Def => schema._zod.def as unknown as Def;
/** The schema inside of defaults and of `null`. */
const inner = (schema: z.ZodType): z.ZodType =>
  ['default', 'optional', 'nullable'].includes(defOf(schema).type)
    ? inner(defOf(schema).innerType as z.ZodType)
    : schema;
const mayBeNull = (schema: z.ZodType): boolean => {
  const { type, innerType } = defOf(schema);
  return type === 'nullable' || (['default', 'optional'].includes(type) && mayBeNull(innerType as z.ZodType));
};

// A job's tables differ in their rows; here only ids and fields by name matter.
const rowsOf = (job: Job, table: TableName): Rows => (job as unknown as Record<string, Rows>)[table] ?? {};
const withRow = (job: Job, table: TableName, row: Row): Job => ({
  ...job,
  [table]: { ...rowsOf(job, table), [row.id]: row },
});

/** A change of one field of one row: which, and what to. */
export type Change = { table: TableName; at: number; field: string; value: unknown };

/** Tables whose rows are facts, with their fields; references are not gaps. */
const FIELDS = Object.values(TABLES).flatMap((table) => {
  const references = new Set<string>(table.refers.map(({ field }) => field));
  return Object.entries(table.schema.shape as Record<string, z.ZodType>)
    .filter(([field]) => field !== 'id' && !references.has(field))
    .map(([field, schema]) => ({ table: table.name as TableName, field, schema }));
});

const FIGURES = FIELDS.filter(
  ({ table, schema }) => table !== 'answers' && ['number', 'enum', 'boolean'].includes(defOf(inner(schema)).type),
);

const changeOf = (fields: readonly (typeof FIELDS)[number][]): fc.Arbitrary<Change> =>
  fc
    .constantFrom(...fields)
    .chain(({ table, field, schema }) =>
      fc.record({ table: fc.constant(table), at: fc.nat(), field: fc.constant(field), value: anyField(inner(schema)) }),
    );

/** Any figure, choice or yes of any row, set to anything that its field takes. */
export const anyChange = changeOf(FIGURES);
/** Any field that may be empty, set to anything that it takes. */
export const anyFilling = changeOf(FIELDS.filter(({ table, schema }) => table !== 'answers' && mayBeNull(schema)));

/** A field of a row that may be empty, an answer, or a figure of a battery; by its place among what the job has filled. */
export type Gap = { table: TableName; row: Row; field: string };

const rowAt = (job: Job, table: TableName, at: number): Row | undefined => {
  const rows = Object.values(rowsOf(job, table));
  return rows[at % Math.max(1, rows.length)];
};

/** The job with a change; the same where it has no row of that kind. */
export function changed(job: Job, { table, at, field, value }: Change): Job {
  const row = rowAt(job, table, at);
  return row ? withRow(job, table, { ...row, [field]: value }) : job;
}

/** What a change filled, to be emptied again; null where there was no such row. */
export function gapOf(job: Job, { table, at, field }: Change): Gap | null {
  const row = rowAt(job, table, at);
  return row ? { table, row, field } : null;
}

const BATTERY = ['ratedVa', 'ratedW', 'blockV', 'blockAh', 'madeOn', 'ownW', 'topology', 'transferMs', 'chargeA'];

/** All that could be emptied in a job. */
export function gapsOf(job: Job): Gap[] {
  const fields = FIELDS.filter(({ schema }) => mayBeNull(schema));
  const rows = fields.flatMap(({ table, field }) =>
    Object.values(rowsOf(job, table)).flatMap((row) => (row[field] === null ? [] : [{ table, row, field }])),
  );
  const answers = Object.values(rowsOf(job, 'answers')).map((row) => ({
    table: 'answers' as const,
    row,
    field: row.id,
  }));
  const batteries = Object.values(rowsOf(job, 'gear')).flatMap((row) => {
    const battery = row.battery as Record<string, unknown> | null;
    return battery === null
      ? []
      : BATTERY.filter((field) => battery[field] !== null).map((field) => ({
          table: 'gear' as const,
          row,
          field: `battery.${field}`,
        }));
  });
  return [...rows, ...answers, ...batteries];
}

/** The job with that left empty. */
export function emptied(job: Job, { table, row, field }: Gap): Job {
  if (table === 'answers') {
    const { [row.id]: _, ...rest } = job.answers as Record<string, unknown>;
    return { ...job, answers: rest } as Job;
  }
  const [outer, part] = field.split('.');
  if (part) return withRow(job, table, { ...row, [outer ?? '']: { ...(row[outer ?? ''] as object), [part]: null } });
  return withRow(job, table, { ...row, [field]: null });
}
