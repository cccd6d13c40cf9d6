import { type BudgetedProblem, costOf, further, givenBy, SLACK } from './problem';

type Annealing = {
  random: () => number;
  /** Columns open to each row, -1 for being left out where that is allowed. */
  open: readonly Int32Array[];
  moves: number;
  hot: number;
  cold: number;
  /** Price of each unit over a budget, at the start and at the end. A way through what is a little over leads on. */
  over: { low: number; high: number };
  /** Costs that guide the way, rows × columns: those of the problem, or those with its budgets priced. */
  guide: Float64Array;
  /** Asked now and then. */
  isOver: () => boolean;
};

/** Changes so many times dearer than the heat are never taken. */
const HOPELESS = 16;
/** Moves at one heat, and moves between two looks at the clock. */
const STRETCH = 64;
const LOOK = 16_384;

/**
 * Improve a choice by moving one row, swapping two, or letting one push another out. Budgets may be overstepped on the
 * way, at a price that grows.
 * @returns the best choice met that is within its budgets, or null; the one given is not changed
 */
export function anneal(
  problem: BudgetedProblem,
  start: Int32Array,
  { random, open, moves, hot, cold, over, guide, isOver }: Annealing,
): Int32Array | null {
  const { rows, columns, cost, leftOut, weight, groupOf, budget, must } = problem;
  // Single precision halves the memory that is gone through at random; what is found is counted anew by the caller.
  const single = Float32Array.from(guide);
  const most = open.reduce((longest, one) => Math.max(longest, one.length), 0);
  const choices = new Int16Array(rows * most);
  const openOf = new Int16Array(rows);
  const priceOf = new Float32Array(rows * most);
  open.forEach((some, row) => {
    openOf[row] = some.length;
    choices.set(some, row * most);
    some.forEach((column, at) => {
      priceOf[row * most + at] = column < 0 ? leftOut[row] : guide[row * columns + column];
    });
  });
  // One place more for what is left out: no group, no weight.
  const out = budget.length;
  const groups = new Int16Array(columns + 1);
  groups.set(groupOf);
  groups[columns] = out;
  const placeOf = (column: number) => (column < 0 ? columns : column);
  const columnOf = Int32Array.from(start);
  const rowOf = new Int32Array(columns).fill(-1);
  const paid = new Float64Array(rows);
  columnOf.forEach((column, row) => {
    if (column >= 0) rowOf[column] = row;
    paid[row] = column < 0 ? leftOut[row] : guide[row * columns + column];
  });
  const beyond = Float64Array.from([
    ...givenBy(problem, columnOf).map((given, group) => given - budget[group] - SLACK),
    Number.NEGATIVE_INFINITY,
  ]);
  const trueCost = (row: number, column: number) => (column < 0 ? leftOut[row] : cost[row * columns + column]);
  let now = costOf(problem, columnOf);
  let excess = beyond.reduce((sum, one) => sum + Math.max(0, one), 0);
  let best: Int32Array | null = null;
  let least = Number.POSITIVE_INFINITY;
  const stretches = Math.max(1, moves / STRETCH);
  const cooling = (cold / hot) ** (1 / stretches);
  const rise = (over.high / over.low) ** (1 / stretches);
  let heat = hot;
  let overPrice = over.low;
  for (let move = 0; move < moves; move++) {
    if (move % STRETCH === STRETCH - 1) {
      heat *= cooling;
      overPrice *= rise;
      if (move % LOOK === LOOK - 1 && isOver()) break;
    }
    // Row and column from one number: what is left of it after the row is as good as another.
    const draw = random() * rows;
    const row = draw | 0;
    const count = openOf[row];
    if (count === 0) continue;
    const at = row * most + (((draw - row) * count) | 0);
    const to = choices[at];
    const from = columnOf[row];
    if (to === from) continue;
    const toPrice = priceOf[at];
    let change = toPrice - paid[row];
    const other = to < 0 ? -1 : rowOf[to];
    let back = -1;
    let backPrice = 0;
    if (other >= 0) {
      const swapped = from >= 0 ? single[other * columns + from] : Number.POSITIVE_INFINITY;
      const pushed = must[other] ? Number.POSITIVE_INFINITY : leftOut[other];
      if (swapped <= pushed || random() < 0.3) {
        back = from;
        backPrice = from < 0 ? pushed : swapped;
      } else backPrice = pushed;
      change += backPrice - paid[other];
    }
    const hopeless = heat * HOPELESS;
    if (!(change - excess * overPrice <= hopeless)) continue;
    const watts = weight[row];
    const otherWatts = other < 0 ? 0 : weight[other];
    const toGroup = groups[placeOf(to)];
    const fromGroup = groups[placeOf(from)];
    let more = 0;
    let less = 0;
    if (toGroup !== fromGroup) {
      more = watts - otherWatts;
      less = back < 0 ? watts : watts - otherWatts;
    } else if (back < 0) more = -otherWatts;
    let outside = 0;
    if (more !== 0) outside += further(beyond[toGroup], more);
    if (less !== 0) outside += further(beyond[fromGroup], -less);
    if (outside !== 0) change += outside * overPrice;
    if (change > 0 && (change > hopeless || random() >= Math.exp(-change / heat))) continue;
    beyond[toGroup] = beyond[toGroup] + more;
    beyond[fromGroup] = beyond[fromGroup] - less;
    if (from >= 0) rowOf[from] = -1;
    if (other >= 0) {
      columnOf[other] = back;
      paid[other] = backPrice;
      if (back >= 0) rowOf[back] = other;
    }
    columnOf[row] = to;
    paid[row] = toPrice;
    if (to >= 0) rowOf[to] = row;
    now += trueCost(row, to) - trueCost(row, from);
    if (other >= 0) now += trueCost(other, back) - trueCost(other, to);
    excess += outside;
    if (excess < 1e-7 && now < least - 1e-9) {
      least = now;
      best = Int32Array.from(columnOf);
    }
  }
  return best;
}
