import { type HullCut, hullCut } from '../hullCut';
import { fullBudget } from './fullBudget';

/**
 * An inequality that all whole fillings of a budget keep and the given counts do not, when there is one.
 * @param weights distinct, above 0
 * @param most how many there are of each weight
 * @param counts broken counts, as a relaxation has them
 */
export const budgetCut = (
  weights: Float64Array,
  most: Int32Array,
  budget: number,
  counts: Float64Array,
): HullCut | null =>
  hullCut(
    Array.from(most, (one, kind) => Math.min(one, Math.floor(budget / weights[kind]))),
    counts,
    (values) => fullBudget(weights, values, most, budget),
  );
