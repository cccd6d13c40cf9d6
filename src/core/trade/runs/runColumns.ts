import { z } from 'zod';
import type { Units } from '../../base/units/length';
import { type FieldWords, RUN_FIELDS, Run } from '../../job/records/run';
import { readHeading } from './columnWords';

type Fields = typeof RUN_FIELDS;
type ColumnsOf<F> = F extends { column: infer C extends string; isLength: true }
  ? `${C}_m` | `${C}_ft`
  : F extends { column: infer C }
    ? C
    : never;
/** A column of a list of runs: lengths say their unit. */
export type RunColumn = ColumnsOf<Fields[keyof Fields]>;

type Column = {
  /** The field of a run that it holds; the network by its id, which stands in lists by its name. */
  field: keyof Fields;
  words: FieldWords;
  /** Of a length. */
  unit: 'm' | 'ft' | null;
};
const COLUMNS = new Map(
  (Object.entries(RUN_FIELDS) as [keyof Fields, FieldWords][]).flatMap(([field, words]) =>
    (words.isLength ? (['m', 'ft'] as const) : [null]).map((unit): [RunColumn, Column] => [
      (unit ? `${words.column}_${unit}` : words.column) as RunColumn,
      { field, words, unit },
    ]),
  ),
);

/** Columns of a list of runs, in order. */
export const RUN_COLUMNS: readonly RunColumn[] = [...COLUMNS.keys()];

/** What a column holds. */
export function columnInfo(column: RunColumn): Column {
  const info = COLUMNS.get(column);
  if (!info) throw new RangeError(`no column ${column}`);
  return info;
}

/** What a column takes, without what is filled in where nothing is said. */
function schemaOf(column: RunColumn): z.ZodType {
  const schema: z.ZodType = Run.shape[columnInfo(column).field];
  const bare = schema instanceof z.ZodDefault ? schema.unwrap() : schema;
  return (bare instanceof z.ZodNullable ? bare.unwrap() : bare) as z.ZodType;
}

export const holdsFigure = (column: RunColumn): boolean => schemaOf(column) instanceof z.ZodNumber;
export const holdsYesNo = (column: RunColumn): boolean => schemaOf(column) instanceof z.ZodBoolean;
/** The words that a column takes, and none else; null for one that takes any. */
export function choicesOf(column: RunColumn): readonly string[] | null {
  const schema = schemaOf(column);
  return schema instanceof z.ZodEnum ? schema.options.map(String) : null;
}

const UNIT_WORDS = { m: 'metres', ft: 'feet' } as const;
/** A column in words: in full, and as short as stands over it. */
export function columnWords(column: RunColumn): { name: string; short: string } {
  const { words, unit } = columnInfo(column);
  return unit
    ? { name: `${words.name} in ${UNIT_WORDS[unit]}`, short: `${words.short} ${unit}`.trim() }
    : { name: words.name, short: words.short };
}

/** For each column of the file, the field it holds, or null when it is passed over. */
export type ColumnMap = (RunColumn | null)[];

/** Fields of a run that are lengths. */
export type LengthField = { [F in keyof Fields]: Fields[F] extends { isLength: true } ? F : never }[keyof Fields];

/** The length that a column holds, and in which unit; null for one that holds none. */
export function lengthIn(column: RunColumn): { field: LengthField; unit: 'm' | 'ft' } | null {
  const { field, unit } = columnInfo(column);
  return unit && { field: field as LengthField, unit };
}

const PLAIN = new Map(RUN_COLUMNS.map((name) => [name.replace(/_/g, ''), name]));

/** Which field a heading means: by our own name for it, or by the words that lists use. */
export function columnFor(heading: string, units: Units): RunColumn | null {
  const own = PLAIN.get(heading.toLowerCase().replace(/[^a-z]/g, ''));
  if (own) return own;
  const read = readHeading(heading);
  if (!read) return null;
  const { field, unit } = read;
  const asLength = PLAIN.get(`${field}_${unit ?? (units === 'metric' ? 'm' : 'ft')}`.replace(/_/g, ''));
  return asLength ?? (field as RunColumn);
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
