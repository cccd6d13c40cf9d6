import { published } from '../../base/standards/source';

/** Where the intervals are from. */
export const intervalSource = published('E. B. Wilson 1927; where none failed, the exact bound of the binomial');

/** Standard normal quantile of a two-sided interval of 95 %. */
const Z = 1.959_963_984_540_054;

/** Bounds of a share of failures seen x times in n tests, 95 % (Wilson). */
export function wilson(x: number, n: number): { low: number; high: number } {
  if (n === 0) return { low: 0, high: 1 };
  const p = x / n;
  const square = Z * Z;
  const middle = (p + square / (2 * n)) / (1 + square / n);
  const half = (Z / (1 + square / n)) * Math.sqrt((p * (1 - p)) / n + square / (4 * n * n));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/**
 * Most that the share of failures may be where none was seen in n tests: 1 − tail^(1/n).
 * @param tail what is left over above it: 0.05 where only the most is asked, 0.025 beside intervals with both ends at 95 %
 */
export const noneSeenBound = (n: number, tail = 0.05): number => (n === 0 ? 1 : 1 - tail ** (1 / n));

/** Chance that a sample of n of N links holds one of d bad ones: 1 − C(N−d, n) / C(N, n). */
export function sampleFinds(all: number, bad: number, tested: number): number {
  let miss = 1;
  for (let at = 0; at < tested; at++) miss *= Math.max(0, all - bad - at) / (all - at);
  return 1 - miss;
}

/** Share of links that are good when each of their two ends is. */
export const yieldOfEnds = (end: number): number => end ** 2;
