import type { BudgetedProblem } from './problem';

const FINEST = 1000;

function commonDivisor(a: number, b: number): number {
  let [large, small] = [a, b];
  while (small !== 0) [large, small] = [small, large % small];
  return large;
}

/** The step in which all sums of this problem's costs come, or 0 when there is none down to a thousandth. */
export function grainOf({ cost, leftOut }: Pick<BudgetedProblem, 'cost' | 'leftOut'>): number {
  let grain = 0;
  for (const list of [cost, leftOut]) {
    for (const one of list) {
      if (!Number.isFinite(one)) continue;
      const whole = Math.round(one * FINEST);
      if (Math.abs(whole - one * FINEST) > 1e-6) return 0;
      grain = commonDivisor(grain, whole);
    }
  }
  return grain / FINEST;
}
