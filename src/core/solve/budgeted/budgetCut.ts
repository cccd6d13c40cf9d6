import { columnLp } from '../columnLp';
import { fullBudget } from './fullBudget';

/** `factors` times the counts of the weights come to `limit` at most, for all whole counts that fit the budget. */
export type BudgetCut = { factors: Float64Array; limit: number };

const ROUNDS = 60;
/** A cut must be overstepped by this share of its limit to be worth its row. */
const WORTH = 1e-3;
/** Weights that nobody counts yet are given a little, so that the cut speaks of them too. */
const TRACE = 1e-3;

/**
 * An inequality that all whole fillings of a budget keep and the given counts do not, when there is one: those of the
 * hull of the fillings, found over the fillings themselves (a small linear program whose columns come as they are
 * needed).
 * @param weights distinct, above 0
 * @param most how many there are of each weight
 * @param counts broken counts, as a relaxation has them
 */
export function budgetCut(
  weights: Float64Array,
  most: Int32Array,
  budget: number,
  counts: Float64Array,
): BudgetCut | null {
  const kinds = weights.length;
  const sought = counts.map((count) => count + TRACE);
  // How small a share of twice the counts must be mixed with fillings to reach the counts? None: they are in the hull.
  const lp = columnLp(
    sought.map((count) => -count),
    1000,
  );
  lp.add(
    1,
    sought.map((count) => -2 * count),
  );
  for (let kind = 0; kind < kinds; kind++) {
    const entries = new Float64Array(kinds);
    entries[kind] = -Math.min(most[kind], Math.floor(budget / weights[kind]));
    lp.add(0, entries);
  }
  for (let round = 0; round < ROUNDS; round++) {
    const { prices, value, base } = lp.solve();
    if (value < 1e-6) return null;
    const factors = prices.map((price) => Math.max(0, -price));
    const { counts: filling, value: worth, bound } = fullBudget(weights, factors, most, budget);
    if (worth <= -base + 1e-9 || round === ROUNDS - 1) {
      const here = factors.reduce((sum, factor, kind) => sum + factor * counts[kind], 0);
      return here > bound * (1 + WORTH) ? { factors, limit: bound } : null;
    }
    lp.add(
      0,
      Float64Array.from(filling, (count) => -count),
    );
  }
  return null;
}
