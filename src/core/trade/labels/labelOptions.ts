import { z } from 'zod';
import { refuse } from '../../base/text/refusal';

export const LABEL_KINDS = ['wrap', 'flag', 'tape', 'faceplate', 'strip', 'mains', 'outlets'] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];
export const LABEL_KIND_WORDS: Record<LabelKind, string> = {
  wrap: 'wrap around the cable',
  flag: 'flag on the cable',
  tape: 'tape, one after the other',
  faceplate: 'faceplate',
  strip: 'panel strip',
  mains: 'flag on a mains cord',
  outlets: 'strip over mains outlets',
};
/** Printed in true size for one device, and not on a sheet of labels. */
export const isStrip = (kind: LabelKind): boolean => kind === 'strip' || kind === 'outlets';

/** A sheet of labels, mm. Labels stand in rows and columns. */
export const LabelSheetSize = z.strictObject({
  pageWidthMm: z.number().min(20).max(1000),
  pageHeightMm: z.number().min(9).max(1500),
  columns: z.number().int().min(1).max(40),
  rows: z.number().int().min(1).max(100),
  labelWidthMm: z.number().min(5).max(400),
  labelHeightMm: z.number().min(4).max(400),
  leftMm: z.number().min(0).max(200),
  topMm: z.number().min(0).max(200),
  gapXMm: z.number().min(0).max(100),
  gapYMm: z.number().min(0).max(100),
});
export type LabelSheetSize = z.infer<typeof LabelSheetSize>;

const a4 = (columns: number, rows: number, width: number, height: number, gapX = 0): LabelSheetSize => ({
  pageWidthMm: 210,
  pageHeightMm: 297,
  columns,
  rows,
  labelWidthMm: width,
  labelHeightMm: height,
  leftMm: (210 - columns * width - (columns - 1) * gapX) / 2,
  topMm: (297 - rows * height) / 2,
  gapXMm: gapX,
  gapYMm: 0,
});

/** Sizes of sheets as they are sold; the sheet's own measures are entered where they differ. */
export const LABEL_SHEETS = {
  'a4-3x8': { words: 'A4, 24 of 70 × 36 mm', size: a4(3, 8, 70, 36) },
  'a4-4x12': { words: 'A4, 48 of 48.5 × 24 mm', size: a4(4, 12, 48.5, 24) },
  'a4-5x13': { words: 'A4, 65 of 38 × 21.2 mm', size: a4(5, 13, 38, 21.2, 2.5) },
  'a4-3x5-tall': { words: 'A4, 15 tall wraps of 60 × 54 mm', size: a4(3, 5, 60, 54) },
  'letter-3x10': {
    words: 'Letter, 30 of 66.7 × 25.4 mm',
    size: {
      pageWidthMm: 215.9,
      pageHeightMm: 279.4,
      columns: 3,
      rows: 10,
      labelWidthMm: 66.7,
      labelHeightMm: 25.4,
      leftMm: 4.8,
      topMm: 12.7,
      gapXMm: 3.1,
      gapYMm: 0,
    },
  },
  'tape-12': {
    words: 'Tape, 12 mm, pieces of 50 mm',
    size: {
      pageWidthMm: 50,
      pageHeightMm: 12,
      columns: 1,
      rows: 1,
      labelWidthMm: 50,
      labelHeightMm: 12,
      leftMm: 0,
      topMm: 0,
      gapXMm: 0,
      gapYMm: 0,
    },
  },
} as const satisfies Record<string, { words: string; size: LabelSheetSize }>;
export type LabelSheetId = keyof typeof LABEL_SHEETS;

/** What is printed and on what. `own` is the sheet's own measures. */
export const LabelOptions = z.strictObject({
  kind: z.enum(LABEL_KINDS).default('wrap'),
  sheet: z.enum([...(Object.keys(LABEL_SHEETS) as [LabelSheetId, ...LabelSheetId[]]), 'own']).default('a4-3x8'),
  own: LabelSheetSize.optional(),
  /** Address that a code leads to, followed by the label; without it there is no code. */
  codeFor: z
    .url({ protocol: /^https?$/ })
    .max(200)
    .optional(),
  runIds: z.array(z.string()).max(20_000).optional(),
});
export type LabelOptions = z.infer<typeof LabelOptions>;

const MEASURES = [
  'pageWidthMm',
  'pageHeightMm',
  'columns',
  'rows',
  'labelWidthMm',
  'labelHeightMm',
  'leftMm',
  'topMm',
  'gapXMm',
  'gapYMm',
] as const satisfies (keyof LabelSheetSize)[];

/** Own measures as one word, for an address or a command line: ten numbers with commas between. */
export const writeOwnSheet = (size: LabelSheetSize): string => MEASURES.map((measure) => size[measure]).join(',');

/**
 * Options from words, as they stand in an address or on a command line. `runs` are ids with commas between, `own` is
 * what `writeOwnSheet` writes.
 * @throws Refusal that names the option and says what was expected
 */
export function readLabelOptions(words: {
  kind?: string;
  sheet?: string;
  own?: string;
  codeFor?: string;
  runs?: string;
}): LabelOptions {
  const own = words.own
    ?.split(',')
    .map((text, at) => [MEASURES[at] ?? `measure ${at + 1}`, text.trim() === '' ? Number.NaN : Number(text)] as const);
  const checked = LabelOptions.safeParse({
    ...(words.kind ? { kind: words.kind } : {}),
    ...(words.sheet ? { sheet: words.sheet } : {}),
    ...(own ? { sheet: words.sheet ?? 'own', own: Object.fromEntries(own) } : {}),
    ...(words.codeFor ? { codeFor: words.codeFor } : {}),
    ...(words.runs ? { runIds: words.runs.split(',') } : {}),
  });
  if (checked.success) return checked.data;
  const faults = checked.error.issues.map(
    ({ path, message }) => `${path.join('.')}: ${message.replace(/^Invalid \w+: /, '')}`,
  );
  return refuse('label-options', `The labels cannot be made so. ${faults.slice(0, 4).join('; ')}.`);
}
