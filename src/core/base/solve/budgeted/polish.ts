import { assign } from '../assignment';
import { type BudgetedProblem, costOf } from './problem';
import { assignInGroups } from './rounding';

/**
 * A choice made better without touching what any budget gives: columns change hands among rows that weigh the same, as
 * well as can be, and in turn rows change columns within their groups, as well as can be, until neither helps.
 */
export function polish(problem: BudgetedProblem, start: Int32Array, out: Float64Array): Int32Array {
  const weights = [...new Set(problem.weight)];
  let best = assignInGroups(problem, start, out);
  let least = costOf(problem, best);
  for (;;) {
    const next = Int32Array.from(best);
    for (const weight of weights) changeHands(problem, next, weight, out);
    const columnOf = assignInGroups(problem, next, out);
    const cost = costOf(problem, columnOf);
    if (cost >= least - 1e-9) return best;
    best = columnOf;
    least = cost;
  }
}

/** The best way to share out the columns that rows of one weight hold; those without weight take free columns as well. */
function changeHands(
  { rows, columns, cost, weight }: BudgetedProblem,
  columnOf: Int32Array,
  of: number,
  out: Float64Array,
) {
  const who: number[] = [];
  const held: number[] = [];
  const taken = new Uint8Array(columns);
  for (let row = 0; row < rows; row++) {
    const column = columnOf[row];
    if (column >= 0) taken[column] = 1;
    if (weight[row] !== of) continue;
    who.push(row);
    if (column >= 0) held.push(column);
  }
  if (of === 0) for (let column = 0; column < columns; column++) if (!taken[column]) held.push(column);
  const part = new Float64Array(who.length * held.length);
  who.forEach((row, at) => {
    held.forEach((column, seat) => {
      part[at * held.length + seat] = cost[row * columns + column];
    });
  });
  const found = assign(
    who.length,
    held.length,
    part,
    Float64Array.from(who, (row) => out[row]),
  );
  who.forEach((row, at) => {
    columnOf[row] = held[found.columnOf[at]] ?? -1;
  });
}
