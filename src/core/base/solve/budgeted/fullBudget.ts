/** Counts of some weights that fit a budget together. */
export type Filling = { counts: Int32Array; value: number };

/** After so many steps the search for the best filling gives its bound instead. */
const STEPS = 20_000;

/**
 * The most valuable filling of a budget with at most so many of each weight (a bounded knapsack, by depth first with
 * the bound of Dantzig 1957).
 * @param weights above 0
 * @param values at least 0, one for each weight
 * @param most how many there are of each weight
 * @returns a best filling, and a value that no filling surpasses: its own, or more where the search was broken off
 */
export function fullBudget(
  weights: Float64Array,
  values: Float64Array,
  most: Int32Array,
  budget: number,
): Filling & { bound: number } {
  const order = [...weights.keys()]
    .filter((at) => values[at] > 0)
    .sort((a, b) => values[b] / weights[b] - values[a] / weights[a]);
  const counts = new Int32Array(weights.length);
  let best = new Int32Array(weights.length);
  let least = 0;
  let steps = 0;
  let missed = 0;
  const visit = (depth: number, room: number, value: number): void => {
    if (value > least) {
      least = value;
      best = Int32Array.from(counts);
    }
    const at = order[depth];
    if (at === undefined) return;
    // All that is left of the budget, filled with what is worth most for its weight.
    let hope = value;
    let left = room;
    for (let next = depth; next < order.length && left > 0; next++) {
      const one = order[next];
      const share = Math.min(most[one], left / weights[one]);
      hope += share * values[one];
      left -= share * weights[one];
    }
    if (hope <= least + 1e-12) return;
    steps += 1;
    if (steps > STEPS) {
      missed = Math.max(missed, hope);
      return;
    }
    const weight = weights[at];
    for (let count = Math.min(most[at], Math.floor(room / weight)); count >= 0; count--) {
      counts[at] = count;
      visit(depth + 1, room - count * weight, value + count * values[at]);
    }
    counts[at] = 0;
  };
  visit(0, budget, 0);
  return { counts: best, value: least, bound: Math.max(least, missed) };
}
