import { type BudgetedProblem, SLACK } from './problem';

/**
 * How rows are counted by what they weigh: for each weight above 0 how many of it each group has, and how many are left
 * out. Counts lie weight after weight, groups + 1 of each. Whether budgets are kept is told by them alone.
 */
export type WeightClasses = {
  weights: number[];
  /** Groups, and left out. */
  places: number;
  /** For each row its weight, -1 for none. */
  classOf: Int32Array;
};

export function weightClasses({ weight, budget }: BudgetedProblem): WeightClasses {
  const weights = [...new Set(weight)].filter((one) => one > 0).sort((a, b) => a - b);
  const at = new Map(weights.map((one, index) => [one, index]));
  return { weights, places: budget.length + 1, classOf: Int32Array.from(weight, (one) => at.get(one) ?? -1) };
}

export function weightCounts(
  { groupOf }: BudgetedProblem,
  { weights, places, classOf }: WeightClasses,
  columnOf: Int32Array,
): Int32Array {
  const counts = new Int32Array(weights.length * places);
  columnOf.forEach((column, row) => {
    const one = classOf[row];
    if (one < 0) return;
    const cell = one * places + (column < 0 ? places - 1 : groupOf[column]);
    counts[cell] = counts[cell] + 1;
  });
  return counts;
}

/** What counts leave of the budget of each group, below 0 where they overstep it; without end for being left out. */
export function roomBeside({ weights, places }: WeightClasses, budget: Float64Array, counts: Int32Array): Float64Array {
  return Float64Array.from({ length: places }, (_, place) => {
    if (place === places - 1) return Number.POSITIVE_INFINITY;
    const given = weights.reduce((sum, weight, one) => sum + weight * counts[one * places + place], 0);
    return budget[place] + SLACK - given;
  });
}
