import { published } from './source';

/** Threads of rack screws and of threaded rails. */
export const THREADS = ['M6', 'M5', '10-32', '12-24'] as const;
export type Thread = (typeof THREADS)[number];

const MM_PER_INCH = 25.4;
/** Number sizes: 0.060 + 0.013 N inch. */
const numbered = (n: number) => (0.06 + 0.013 * n) * MM_PER_INCH;

/** Major diameter of rack screws, millimetres. No two of them go into one another's thread. */
export const majorDiameterMm: Record<Thread, number> = {
  M6: 6,
  M5: 5,
  '10-32': numbered(10),
  '12-24': numbered(12),
};
export const screwThreadSource = published('ASME B1.1; ISO 261: M5, M6, 10-32 and 12-24 do not go together');
