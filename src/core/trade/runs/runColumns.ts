import type { Units } from '../../base/units/length';
import { readHeading } from './columnWords';

/** Fields of a run that a column can hold. Lengths say their unit; a plain `length` goes by the job's. */
export const RUN_COLUMNS = [
  'label',
  'floor',
  'room',
  'outlet',
  'carries',
  'cable',
  'length_m',
  'length_ft',
  'device',
  'speed_mbps',
  'poe_w',
  'poe_class',
  'network',
  'critical',
  'jacket',
  'bundle',
  'entry',
  'tail_m',
  'tail_ft',
  'outlet_height_m',
  'outlet_height_ft',
  'state',
  'origin',
  'scope',
  'asked_by',
  'notes',
] as const;
export type RunColumn = (typeof RUN_COLUMNS)[number];

/** For each column of the file, the field it holds, or null when it is passed over. */
export type ColumnMap = (RunColumn | null)[];

/** Lengths: which field each column holds, and in which unit. */
export const LENGTH_COLUMNS: Partial<
  Record<RunColumn, { field: 'lengthMm' | 'tailMm' | 'outletHeightMm'; unit: 'm' | 'ft' }>
> = {
  length_m: { field: 'lengthMm', unit: 'm' },
  length_ft: { field: 'lengthMm', unit: 'ft' },
  tail_m: { field: 'tailMm', unit: 'm' },
  tail_ft: { field: 'tailMm', unit: 'ft' },
  outlet_height_m: { field: 'outletHeightMm', unit: 'm' },
  outlet_height_ft: { field: 'outletHeightMm', unit: 'ft' },
};

const PLAIN = new Map(RUN_COLUMNS.map((name) => [name.replace(/_/g, ''), name]));

/** Which field a heading means: by our own name for it, or by the words that lists use. */
export function columnFor(heading: string, units: Units): RunColumn | null {
  const own = PLAIN.get(heading.toLowerCase().replace(/[^a-z]/g, ''));
  if (own) return own;
  const read = readHeading(heading);
  if (!read) return null;
  const { field, unit } = read;
  if (field !== 'length' && field !== 'tail' && field !== 'outlet_height') return field;
  return `${field}_${unit ?? (units === 'metric' ? 'm' : 'ft')}`;
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
