import { timeSpread } from '../../base/standards/buildMinutes';

/**
 * Minutes of the nth of its kind (Crawford): T_n = T_1 × n^(log2 r).
 * @param learning r: what a doubling of the number multiplies the time by, 0.7 to 1
 */
export const unitMinutes = (first: number, n: number, learning: number): number => first * n ** Math.log2(learning);

/** Minutes of all from the first to the nth (Crawford): the sum of their unit times. */
export function crawfordTotal(first: number, n: number, learning: number): number {
  let sum = 0;
  for (let at = 1; at <= n; at++) sum += unitMinutes(first, at, learning);
  return sum;
}

/** Minutes of all from the first to the nth (Wright): the curve is the mean of all of them. */
export const wrightTotal = (first: number, n: number, learning: number): number => n * unitMinutes(first, n, learning);

/** Mean and spread of a time from its optimistic, likely and pessimistic value (PERT). */
export const threePoint = (optimistic: number, likely: number, pessimistic: number) => ({
  mean: (optimistic + 4 * likely + pessimistic) / 6,
  spread: (pessimistic - optimistic) / 6,
});

/** So many spreads to each side: about a quarter of the time. Common practice, no source. */
const SPREADS = 1.3;

/**
 * Least and most minutes of work that is done one after the other. The same hands in the same building are slow
 * throughout: spreads add up, they do not cancel out.
 */
export function rangeOf(minutes: readonly number[]): { least: number; mean: number; most: number } {
  let mean = 0;
  let spread = 0;
  for (const likely of minutes) {
    const point = threePoint(likely * timeSpread.optimistic, likely, likely * timeSpread.pessimistic);
    mean += point.mean;
    spread += point.spread * SPREADS;
  }
  return { least: Math.max(0, mean - spread), mean, most: mean + spread };
}

/** Work with its breaks, minutes. */
export const withBreaks = (workMin: number, everyMin: number, breakMin: number): number =>
  workMin + Math.max(0, Math.ceil(workMin / everyMin - 1e-9) - 1) * breakMin;

/** Latest minute of a window at which work may go on: what must be undone and verified still fits behind it. */
export const lastMomentMin = (windowMin: number, undoMin: number, verifyMin: number): number =>
  windowMin - undoMin - verifyMin;
