import { assign } from '../assignment';
import { type BudgetedProblem, SLACK } from './problem';

/**
 * A choice within the budgets near the shares of a relaxation: each row takes the group it leans to most and that has
 * room, then the columns within the groups are assigned exactly.
 * @param shares rows × (groups + 1)
 * @param loose how far chance bends the shares, 0 for not at all
 */
export function roundShares(
  problem: BudgetedProblem,
  shares: Float64Array,
  out: Float64Array,
  random: () => number,
  loose: number,
): Int32Array {
  const { rows, weight, budget, must } = problem;
  const groups = budget.length;
  const width = groups + 1;
  const share = (row: number, place: number) => shares[row * width + place];
  const room = Float64Array.from(budget, (one) => one + SLACK);
  const placeOf = new Int32Array(rows).fill(groups);
  const take = (row: number, group: number): boolean => {
    if (weight[row] > room[group]) return false;
    room[group] = room[group] - weight[row];
    placeOf[row] = group;
    return true;
  };
  const sureness = Float64Array.from({ length: rows }, (_, row) => {
    let most = must[row] ? 2 : 0;
    for (let place = 0; place < width; place++) most = Math.max(most, share(row, place));
    return most + loose * random();
  });
  const order = [...placeOf.keys()].sort((a, b) => sureness[b] - sureness[a] || weight[b] - weight[a]);
  for (const row of order) {
    const leaning = Array.from({ length: width }, (_, place) => place)
      .filter((place) => share(row, place) > 0)
      .map((place) => ({ place, lean: share(row, place) * (1 - loose + 2 * loose * random()) }))
      .sort((a, b) => b.lean - a.lean);
    for (const { place } of leaning) if (place === groups || take(row, place)) break;
  }
  const waiting = order.filter((row) => placeOf[row] === groups).sort((a, b) => out[b] - out[a]);
  for (const row of waiting) {
    if (share(row, groups) > 0.99) continue;
    for (let group = 0; group < groups; group++) if (take(row, group)) break;
  }
  return assignToGroups(problem, placeOf, out);
}

/** The cheapest choice in which every row stays in the group in which it is, or left out. */
export function assignInGroups(problem: BudgetedProblem, columnOf: Int32Array, out: Float64Array): Int32Array {
  const { groupOf, budget } = problem;
  const places = columnOf.map((column) => (column < 0 ? budget.length : groupOf[column]));
  return assignToGroups(problem, places, out);
}

function assignToGroups({ rows, columns, cost, groupOf }: BudgetedProblem, placeOf: Int32Array, out: Float64Array) {
  const narrowed = new Float64Array(cost);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      if (groupOf[column] !== placeOf[row]) narrowed[row * columns + column] = Number.POSITIVE_INFINITY;
  return assign(rows, columns, narrowed, out).columnOf;
}
