import { z } from 'zod';
import type { Units } from '../../base/units/length';
import { type FieldWords, RUN_FIELDS, Run } from '../../job/records/run';
import { readHeading } from './columnWords';

type Fields = typeof RUN_FIELDS;
type ColumnsOf<F> = F extends { column: infer C extends string; exampleMm: number }
  ? `${C}_m` | `${C}_ft`
  : F extends { column: infer C }
    ? C
    : never;
/** A column of a run list. Lengths have one for each unit. */
export type RunColumn = ColumnsOf<Fields[keyof Fields]>;

type Column = {
  /** The field of the run. `networkId` is shown as the name of the network. */
  field: keyof Fields;
  words: FieldWords;
  /** Lengths only. */
  unit: 'm' | 'ft' | null;
};
const COLUMNS = new Map(
  (Object.entries(RUN_FIELDS) as [keyof Fields, FieldWords][]).flatMap(([field, words]) =>
    (words.exampleMm ? (['m', 'ft'] as const) : [null]).map((unit): [RunColumn, Column] => [
      (unit ? `${words.column}_${unit}` : words.column) as RunColumn,
      { field, words, unit },
    ]),
  ),
);

/** All columns, in order. */
export const RUN_COLUMNS: readonly RunColumn[] = [...COLUMNS.keys()];

/** Field, names and unit of a column. */
export function columnInfo(column: RunColumn): Column {
  const info = COLUMNS.get(column);
  if (!info) throw new RangeError(`no column ${column}`);
  return info;
}

/** The schema of a field, without its default and without null. */
function schemaOf(column: RunColumn): z.ZodType {
  const schema: z.ZodType = Run.shape[columnInfo(column).field];
  const bare = schema instanceof z.ZodDefault ? schema.unwrap() : schema;
  // Zod types what is inside as its core type; every schema of a record is made with the full one.
  return (bare instanceof z.ZodNullable ? bare.unwrap() : bare) as z.ZodType;
}

/** The limits of a number, in the unit of its field; null for any other field. */
export function rangeOf(column: RunColumn): { least: number; most: number; isWhole: boolean } | null {
  const schema = schemaOf(column);
  if (!(schema instanceof z.ZodNumber)) return null;
  return { least: schema.minValue ?? 0, most: schema.maxValue ?? Number.MAX_SAFE_INTEGER, isWhole: schema.isInt };
}

export const holdsYesNo = (column: RunColumn): boolean => schemaOf(column) instanceof z.ZodBoolean;
/** The words that a column accepts; null when it accepts any text or number. */
export function choicesOf(column: RunColumn): readonly string[] | null {
  const schema = schemaOf(column);
  return schema instanceof z.ZodEnum ? schema.options.map(String) : null;
}

const UNIT_WORDS = { m: 'metres', ft: 'feet' } as const;
/** The full name of a column, and its short heading. */
export function columnWords(column: RunColumn): { name: string; short: string } {
  const { words, unit } = columnInfo(column);
  return unit
    ? { name: `${words.name} in ${UNIT_WORDS[unit]}`, short: `${words.short} ${unit}`.trim() }
    : { name: words.name, short: words.short };
}

/** For each column of the file, the field it holds, or null when it is passed over. */
export type ColumnMap = (RunColumn | null)[];

/** Fields of a run that are lengths. */
export type LengthField = { [F in keyof Fields]: Fields[F] extends { exampleMm: number } ? F : never }[keyof Fields];

/** Field and unit of a length column; null for any other column. */
export function lengthIn(column: RunColumn): { field: LengthField; unit: 'm' | 'ft' } | null {
  const { field, unit } = columnInfo(column);
  // Only lengths have a unit.
  return unit && { field: field as LengthField, unit };
}

const PLAIN = new Map(RUN_COLUMNS.map((name) => [name.replace(/_/g, ''), name]));

/** Which field a heading means: by our own name for it, or by the words that lists use. */
export function columnFor(heading: string, units: Units): RunColumn | null {
  const own = PLAIN.get(heading.toLowerCase().replace(/[^a-z]/g, ''));
  if (own) return own;
  const read = readHeading(heading);
  if (!read) return null;
  const unit = read.unit ?? (units === 'metric' ? 'm' : 'ft');
  const found = [...COLUMNS].find(([, one]) => one.words.column === read.column && (one.unit ?? unit) === unit);
  return found?.[0] ?? null;
}

/** Guess which field each column holds from its heading; a field is given to one column only. */
export function guessColumns(header: readonly string[], units: Units): ColumnMap {
  const taken = new Set<RunColumn>();
  return header.map((heading) => {
    const column = columnFor(heading, units);
    if (!column || taken.has(column)) return null;
    taken.add(column);
    return column;
  });
}
