/** A turn around a cable, mm. */
export const turnMm = (diameterMm: number): number => Math.PI * diameterMm;

/** Overlap that keeps the clear tail of a wrap label closed. Common practice, no source. */
export const WRAP_OVERLAP_MM = 5;

/**
 * Least length of a wrap label, mm: the printed part, and a clear tail that covers it in so many turns.
 * @param printMm printed part along the wrap, mm
 */
export const wrapLengthMm = (printMm: number, diameterMm: number, turns = 1): number =>
  printMm + turns * turnMm(diameterMm) + WRAP_OVERLAP_MM;

/** Length of a flag label, mm: two flags and the turn between them. */
export const flagLengthMm = (flagMm: number, diameterMm: number): number => 2 * flagMm + turnMm(diameterMm);

/** Width of a character of the label font as a share of its size; the font is of one width. */
const CHARACTER = 0.6;
const LEAST_MM = 1.4;

/** Largest size of type, mm, at which a text fits; null when it would be too small to read. */
export function fitText(text: string, widthMm: number, heightMm: number): number | null {
  const size = Math.min(heightMm / 1.25, widthMm / (CHARACTER * Math.max(1, text.length)));
  return size < LEAST_MM ? null : size;
}

export const textWidthMm = (text: string, sizeMm: number): number => CHARACTER * sizeMm * text.length;
