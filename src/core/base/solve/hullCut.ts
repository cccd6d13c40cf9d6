import { columnLp } from './columnLp';

/** `factors` times the counts come to `limit` at most, for all whole fillings. */
export type HullCut = { factors: Float64Array; limit: number };

const ROUNDS = 60;
/** A cut must be overstepped by this share of its limit to be worth its row. */
const WORTH = 1e-3;
/** Kinds that nobody counts yet are given a little, so that the cut speaks of them too. */
const TRACE = 1e-3;

/** A filling that is worth most at these values of the kinds, and a value that no filling surpasses. */
export type BestFilling = (values: Float64Array) => { counts: ArrayLike<number>; value: number; bound: number };

/**
 * An inequality that all whole fillings of something keep and the given counts do not, when there is one: those of the
 * hull of the fillings, found over the fillings themselves (a small linear program whose columns come as they are
 * needed). With a filling all that holds less of any kind is one too.
 * @param alone the most of each kind where nothing else is in it
 * @param counts broken counts of the kinds, as a relaxation has them
 * @param known fillings that were met before, which spare looking for them again
 */
export function hullCut(
  alone: ArrayLike<number>,
  counts: Float64Array,
  bestFilling: BestFilling,
  known: readonly ArrayLike<number>[] = [],
): HullCut | null {
  const kinds = counts.length;
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
    entries[kind] = -alone[kind];
    lp.add(0, entries);
  }
  const add = (filling: ArrayLike<number>) =>
    lp.add(
      0,
      Float64Array.from(filling, (count) => -count),
    );
  known.forEach(add);
  for (let round = 0; round < ROUNDS; round++) {
    const { prices, value, base } = lp.solve();
    if (value < 1e-6) return null;
    const factors = prices.map((price) => Math.max(0, -price));
    const { counts: filling, value: worth, bound } = bestFilling(factors);
    if (worth <= -base + 1e-9 || round === ROUNDS - 1) {
      const here = factors.reduce((sum, factor, kind) => sum + factor * counts[kind], 0);
      return here > bound * (1 + WORTH) ? { factors, limit: bound } : null;
    }
    add(filling);
  }
  return null;
}
