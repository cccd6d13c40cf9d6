import { commonPractice, type Source } from './source';

export const CORD_KINDS = ['standard', 'screened', 'slim', 'fibre', 'direct-attach'] as const;
export type CordKind = (typeof CORD_KINDS)[number];

/** What a kind of cord takes. Typical of the class, common practice; the data sheet rules. Millimetres. */
export type CordBuild = {
  words: string;
  /** Outside, or the larger side of a pair of fibres. */
  diameterMm: number;
  /** Cross-section in a manager, mm². */
  areaMm2: number;
  /** Plug and boot before the cord can bend. */
  bootMm: number;
  /** Least inside radius. */
  bendMm: number;
};

const round = (diameterMm: number) => ({ diameterMm, areaMm2: (Math.PI * diameterMm ** 2) / 4 });

export const cordBuilds: Record<CordKind, CordBuild> = {
  standard: { words: 'standard', ...round(5.8), bootMm: 35, bendMm: 23 },
  screened: { words: 'screened', ...round(6), bootMm: 40, bendMm: 30 },
  slim: { words: 'slim', ...round(4), bootMm: 30, bendMm: 16 },
  fibre: { words: 'fibre, duplex', diameterMm: 4.1, areaMm2: 4.1 * 2, bootMm: 45, bendMm: 30 },
  'direct-attach': { words: 'direct-attach', ...round(5.5), bootMm: 55, bendMm: 35 },
};
export const cordBuildSource: Source = commonPractice;

/** Habits of leading cords. Common practice, no source. Millimetres. */
export const cordHabits = {
  /** Up to this many units apart a cord goes straight across the faces. */
  adjacentWithinU: 2,
  /** Up to this many units apart through a manager that lies between, or beside one of the two. */
  managerWithinU: 6,
  /** Room left, right or under way so that nothing is taut. */
  easeMm: 4,
  /** A cord is at least so much longer than its way: one that only just reaches is pulled at. */
  leastSpareMm: 50,
  /** From the side of a panel into the vertical way and out again. */
  aroundMm: 180,
  /** From the face into the fingers of a manager and out again. */
  intoManagerMm: 60,
  /** More left over than this hangs in loops. */
  longMm: 700,
  /** Fuller than this a manager can hardly be closed, and nothing goes in any more. */
  managerFull: 0.6,
} as const;
