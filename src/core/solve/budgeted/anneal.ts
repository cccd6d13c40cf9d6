import { type BudgetedProblem, costOf, givenBy, SLACK } from './problem';

type Annealing = {
  random: () => number;
  /** Columns open to each row, -1 for being left out where that is allowed. */
  open: readonly Int32Array[];
  moves: number;
  hot: number;
  cold: number;
  /** Price of each unit over a budget, at the start and at the end. A way through what is a little over leads on. */
  over: { low: number; high: number };
  /** Asked now and then. */
  isOver: () => boolean;
};

/** Changes so many times dearer than the heat are never taken. */
const HOPELESS = 16;

/**
 * Improve a choice by moving one row, swapping two, or letting one push another out. Budgets may be overstepped on the
 * way, at a price that grows.
 * @returns the best choice met that is within its budgets, or null; the one given is not changed
 */
export function anneal(
  problem: BudgetedProblem,
  start: Int32Array,
  { random, open, moves, hot, cold, over, isOver }: Annealing,
): Int32Array | null {
  const { rows, columns, cost, leftOut, weight, groupOf, budget, must } = problem;
  const columnOf = Int32Array.from(start);
  const rowOf = new Int32Array(columns).fill(-1);
  columnOf.forEach((column, row) => {
    if (column >= 0) rowOf[column] = row;
  });
  const beyond = givenBy(problem, columnOf).map((given, group) => given - (budget[group] as number) - SLACK);
  const price = (row: number, column: number): number =>
    column < 0 ? (leftOut[row] as number) : (cost[row * columns + column] as number);
  /** By how much a group comes further over its budget when it gives so much more. */
  const further = (group: number, more: number): number => {
    const now = beyond[group] as number;
    return (now + more > 0 ? now + more : 0) - (now > 0 ? now : 0);
  };
  let now = costOf(problem, columnOf);
  let excess = beyond.reduce((sum, one) => sum + Math.max(0, one), 0);
  let best: Int32Array | null = null;
  let least = Number.POSITIVE_INFINITY;
  const cooling = (cold / hot) ** (1 / Math.max(1, moves));
  const rise = (over.high / over.low) ** (1 / Math.max(1, moves));
  let heat = hot;
  let overPrice = over.low;
  for (let move = 0; move < moves; move++, heat *= cooling, overPrice *= rise) {
    if (move % 16_384 === 16_383 && isOver()) break;
    const row = Math.floor(random() * rows);
    const choices = open[row] as Int32Array;
    if (choices.length === 0) continue;
    const to = choices[Math.floor(random() * choices.length)] as number;
    const from = columnOf[row] as number;
    if (to === from) continue;
    const other = to < 0 ? -1 : (rowOf[to] as number);
    let change = price(row, to) - price(row, from);
    let back = -1;
    if (other >= 0) {
      const swapped = from >= 0 ? price(other, from) : Number.POSITIVE_INFINITY;
      const out = must[other] ? Number.POSITIVE_INFINITY : (leftOut[other] as number);
      back = swapped <= out || random() < 0.3 ? from : -1;
      change += (back < 0 ? out : swapped) - price(other, to);
    }
    if (!(change < Number.POSITIVE_INFINITY)) continue;
    const watts = weight[row] as number;
    const otherWatts = other < 0 ? 0 : (weight[other] as number);
    const toGroup = to < 0 ? -1 : (groupOf[to] as number);
    const fromGroup = from < 0 ? -1 : (groupOf[from] as number);
    let more = 0;
    let less = 0;
    if (toGroup !== fromGroup) {
      more = toGroup < 0 ? 0 : watts - otherWatts;
      less = fromGroup < 0 ? 0 : watts - (back < 0 ? 0 : otherWatts);
    } else if (other >= 0 && back < 0) more = -otherWatts;
    let outside = 0;
    if (more !== 0) outside += further(toGroup, more);
    if (less !== 0) outside += further(fromGroup, -less);
    if (outside !== 0) change += outside * overPrice;
    if (change > 0 && (change > heat * HOPELESS || random() >= Math.exp(-change / heat))) continue;
    if (more !== 0) beyond[toGroup] = (beyond[toGroup] as number) + more;
    if (less !== 0) beyond[fromGroup] = (beyond[fromGroup] as number) - less;
    if (from >= 0) rowOf[from] = -1;
    if (other >= 0) {
      columnOf[other] = back;
      if (back >= 0) rowOf[back] = other;
    }
    columnOf[row] = to;
    if (to >= 0) rowOf[to] = row;
    now += outside === 0 ? change : change - outside * overPrice;
    excess += outside;
    if (excess < 1e-7 && now < least - 1e-9) {
      least = now;
      best = Int32Array.from(columnOf);
    }
  }
  return best;
}
