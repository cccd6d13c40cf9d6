export const UNITS = ['metric', 'imperial'] as const;
export type Units = (typeof UNITS)[number];

/** Exact by definition: 1 inch is 25.4 mm, 1 foot is 304.8 mm. */
const MM_PER_INCH = 25.4;
const MM_PER_FOOT = 304.8;

const trim = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** A cable or cord length with its unit, metres to the centimetre or feet to the tenth. */
export function formatLength(mm: number, units: Units): string {
  return units === 'metric' ? `${trim(mm / 1000, 2)} m` : `${trim(mm / MM_PER_FOOT, 1)} ft`;
}

/** Unit in which sizes of gear and racks are shown and typed. */
export const sizeUnit = (units: Units): 'mm' | 'in' => (units === 'metric' ? 'mm' : 'in');

/** A size of gear or rack without its unit, for a field: millimetres to the tenth or inches to the hundredth. */
export function sizeToField(mm: number, units: Units): string {
  return units === 'metric' ? trim(mm, 1) : trim(mm / MM_PER_INCH, 2);
}

/** A size of gear or rack with its unit. */
export const formatSize = (mm: number, units: Units): string => `${sizeToField(mm, units)} ${sizeUnit(units)}`;

/** Metres (or feet) as typed for a length, without unit, for a field. */
export function lengthToField(mm: number | null, units: Units): string {
  if (mm === null) return '';
  return units === 'metric' ? trim(mm / 1000, 3) : trim(mm / MM_PER_FOOT, 2);
}

/** A length in metres or feet with digits enough to be read back to the same millimetre. */
export const exactLength = (mm: number, unit: 'm' | 'ft'): string =>
  unit === 'm' ? trim(mm / 1000, 3) : trim(mm / MM_PER_FOOT, 4);

const LENGTH = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+))\s*(mm|cm|m|km|ft|feet|'|in|")?$/i;
const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  km: 1_000_000,
  ft: MM_PER_FOOT,
  feet: MM_PER_FOOT,
  "'": MM_PER_FOOT,
  in: MM_PER_INCH,
  '"': MM_PER_INCH,
};

/**
 * Read a length as people write it: `22.5`, `22,5`, `74 ft`, `900mm`.
 * @param plain the unit of a bare number
 * @returns whole millimetres, or null when it is not a length
 */
export function parseLength(text: string, plain: 'mm' | 'm' | 'ft' | 'in'): number | null {
  const match = LENGTH.exec(text.trim());
  if (!match) return null;
  const [, digits = '', unit] = match;
  const factor = MM_PER[(unit ?? plain).toLowerCase()] ?? 1;
  return Math.round(Number(digits.replace(',', '.')) * factor);
}

/** Read a size of gear or rack as typed into a field: whole millimetres, or null when it is none. */
export const parseSize = (text: string, units: Units): number | null => parseLength(text, sizeUnit(units));
