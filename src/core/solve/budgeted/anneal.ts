import { type BudgetedProblem, costAt, costOf, givenBy, SLACK } from './problem';

type Annealing = {
  random: () => number;
  /** Columns open to each row, -1 for being left out where that is allowed. */
  open: readonly Int32Array[];
  moves: number;
  hot: number;
  cold: number;
};

/**
 * Improve a choice that is within its budgets by moving one row, swapping two, or letting one push another out.
 * @returns the best choice met; the one given is not changed
 */
export function anneal(
  problem: BudgetedProblem,
  start: Int32Array,
  { random, open, moves, hot, cold }: Annealing,
): Int32Array {
  const { rows, columns, weight, groupOf, budget, must } = problem;
  const columnOf = Int32Array.from(start);
  const rowOf = new Int32Array(columns).fill(-1);
  columnOf.forEach((column, row) => {
    if (column >= 0) rowOf[column] = row;
  });
  const spare = givenBy(problem, columnOf).map((given, group) => (budget[group] as number) - given + SLACK);
  let now = costOf(problem, columnOf);
  let best = Int32Array.from(columnOf);
  let bestCost = now;
  const cooling = (cold / hot) ** (1 / Math.max(1, moves));
  let heat = hot;
  const take = (column: number, watts: number) => {
    if (column >= 0) {
      const group = groupOf[column] as number;
      spare[group] = (spare[group] as number) - watts;
    }
  };
  const fits = (column: number) => column < 0 || (spare[groupOf[column] as number] as number) >= 0;
  const put = (row: number, column: number) => {
    columnOf[row] = column;
    if (column >= 0) rowOf[column] = row;
  };
  for (let move = 0; move < moves; move++, heat *= cooling) {
    const row = Math.floor(random() * rows);
    const choices = open[row] as Int32Array;
    const to = choices[Math.floor(random() * choices.length)] as number;
    const from = columnOf[row] as number;
    if (to === from || to === undefined) continue;
    const other = to < 0 ? -1 : (rowOf[to] as number);
    let change = costAt(problem, row, to) - costAt(problem, row, from);
    let back = -1;
    if (other >= 0) {
      const stays = costAt(problem, other, to);
      const swapped = from >= 0 ? costAt(problem, other, from) : Number.POSITIVE_INFINITY;
      const out = must[other] ? Number.POSITIVE_INFINITY : costAt(problem, other, -1);
      back = swapped <= out || random() < 0.3 ? from : -1;
      const next = back < 0 ? out : swapped;
      change += next - stays;
    }
    if (!(change < Number.POSITIVE_INFINITY) || (change > 0 && random() >= Math.exp(-change / heat))) continue;
    const watts = weight[row] as number;
    take(from, -watts);
    take(to, watts);
    const otherWatts = other < 0 ? 0 : (weight[other] as number);
    if (other >= 0) {
      take(to, -otherWatts);
      take(back, otherWatts);
    }
    if (!fits(to) || (other >= 0 && !fits(back))) {
      take(from, watts);
      take(to, -watts);
      if (other >= 0) {
        take(to, otherWatts);
        take(back, -otherWatts);
      }
      continue;
    }
    if (from >= 0) rowOf[from] = -1;
    if (other >= 0) put(other, back);
    put(row, to);
    now += change;
    if (now < bestCost - 1e-9) {
      bestCost = now;
      best = Int32Array.from(columnOf);
    }
  }
  return best;
}
