import { assign } from '../assignment';
import { isOver, type SearchLimits } from '../limits';
import { seededRandom } from '../random';
import { anneal } from './anneal';
import { breeding } from './breeding';
import { budgetCuts } from './budgetCuts';
import { grainOf } from './grain';
import { kindsOf } from './kinds';
import { chooseSplit, type GainBook } from './lookAhead';
import { polish } from './polish';
import { type BudgetedProblem, costOf, givenBy, isWithin, SLACK, type Within } from './problem';
import { type Prices, relaxation } from './relaxation';
import { roundShares } from './rounding';
import { budgetRules, type Rule } from './rules';
import { mostBroken, splitsOf } from './splits';
import type { Basis } from './standing';

/** Called with each better choice as it is found. */
type OnBetter = (columnOf: Int32Array, cost: number) => void;
type Node = { bound: number; rules: Rule[]; closed: Uint8Array | null; basis: Basis | null };

/** Heat of the annealing, as shares of what a row's next columns cost more, or of the cheapest leaving out. */
const HEAT = { hot: 0.25, cold: 0.015, bare: 0.2 };
/**
 * Roundings of the first node and of each later one; annealing: moves for each pair of rows, share of the time, and after
 * how many turns that bring nothing better it is half of that. Without any effort only the bound is told.
 */
const EFFORT = {
  small: { roundings: { first: 3, later: 1 }, moves: 8, share: 0.35, patience: 4 },
  middle: { roundings: { first: 2, later: 1 }, moves: 20, share: 0.7, patience: 8 },
  large: { roundings: { first: 2, later: 0 }, moves: 6, share: 0.9, patience: Number.POSITIVE_INFINITY },
};
/** Prices of a unit over a budget that are tried in turn, as shares of what leaving a unit out costs. */
const OVER_PRICES = [3, 6] as const;
/** Columns that are tried for a row: its cheapest. */
const OPEN = 48;
/** The column by which the spread of a row's costs is told. */
const NEXT = 24;
/** So near to the next step of all sums, or as a share to the best choice, a bound is there. */
const CLOSE = { grain: 1e-5, share: 1e-7 };
/** How often a relaxation is cut anew by what budgets allow. */
const ROOT_TURNS = 12;
const NODE_TURNS = 1;
/** Above so many cells roundings and annealing take more of the time than nodes. */
const MIDDLE_CELLS = 7000;
/** Above so many cells choices are bred, and splits are taken without trying them first: a trial costs as much as many nodes. */
const LARGE_CELLS = 20_000;

/**
 * Cheapest one-to-one assignment within the budgets of the groups, where rows may be left out at a price.
 *
 * Without a budget that binds this is one assignment problem. Else a branch and bound over counts: each node's
 * relaxation is a linear program that begins where the one above ended and is cut by what whole counts can fill of a
 * budget. What it leaves broken is split: what is left out together first, since it is most of the cost, then counts of
 * like rows, then single rows. Choices come from rounding the relaxations and annealing, those of large problems from
 * crossing them too.
 *
 * @param start a choice to begin with
 * @returns the best choice met before time was over, with a bound that holds
 */
export function assignWithin(
  problem: BudgetedProblem,
  limits: SearchLimits,
  onBetter?: OnBetter,
  start?: Int32Array,
): Within {
  const { rows, columns, cost, must, leftOut, budget } = problem;
  const never = dearest(problem);
  const out = leftOut.map((price, row) => (must[row] ? never : price));
  const free = assign(rows, columns, cost, out);
  if (free.cost >= never) return { columnOf: null, cost: never, bound: never, proven: true };
  const whole = (columnOf: Int32Array) => columnOf.every((column, row) => column >= 0 || !must[row]);
  let best: Int32Array | null = null;
  let least = never;
  const take = (columnOf: Int32Array) => {
    if (!whole(columnOf) || !isWithin(problem, columnOf)) return;
    const found = costOf(problem, columnOf);
    if (found >= least - 1e-9) return;
    least = found;
    best = Int32Array.from(columnOf);
    onBetter?.(best, least);
  };
  take(free.columnOf);
  if (best) return { columnOf: best, cost: least, bound: least, proven: true };
  take(lightened(problem, free.columnOf));

  const width = budget.length + 1;
  const grain = grainOf(problem);
  const lifted = (bound: number) => (grain > 0 ? Math.ceil(bound / grain - CLOSE.grain) * grain : bound);
  const passes = (bound: number) => lifted(bound) >= least - (grain > 0 ? grain / 2 : CLOSE.share * least);
  const isLate = () => isOver(limits);
  const random = seededRandom(limits.seed ?? 1);
  const open = once(() => openColumns(problem, random));
  const kinds = kindsOf(problem);
  const overPrice = priceOfWeight(problem);
  const heat = once(() => heatOf(problem, open()));
  const large = rows * columns > LARGE_CELLS;
  const effort = EFFORT[large ? 'large' : rows * columns > MIDDLE_CELLS ? 'middle' : 'small'];
  const began = limits.now();
  let annealed = 0;
  let turns = 0;
  // Turns since the last one that brought something better: the more, the less time the next ones get.
  let idle = 0;
  const annealFrom = (columnOf: Int32Array, guide: Float64Array, warmth: number, over: number) =>
    anneal(problem, columnOf, {
      random,
      open: open(),
      moves: rows * rows * effort.moves,
      hot: heat().hot * warmth,
      cold: heat().cold,
      over: { low: overPrice * over, high: 10 * overPrice * over },
      guide,
      isOver: isLate,
    });
  const improve = (columnOf: Int32Array, guide: Float64Array) => {
    const found = annealFrom(columnOf, guide, 1, OVER_PRICES[turns++ % OVER_PRICES.length] as number);
    const before = least;
    if (found) take(polish(problem, found, out));
    idle = least < before ? 0 : idle + 1;
  };
  const breed = breeding(problem, {
    out,
    limits,
    random,
    whole,
    take,
    anneal: (columnOf, guide, warmth) => annealFrom(columnOf, guide, warmth, OVER_PRICES[0]),
    solve: (part, some, start) => assignWithin(part, some, undefined, start),
  });
  if (start) take(start);
  const { relax, glance, narrow, guideOf } = relaxation(problem, kinds, out);
  // What the last node knew that all the others are under, by which pairs that cannot help any more are left out.
  let stem: { prices: Prices; rules: Rule[] } | null = null;
  let narrowedAt = least;
  const cuts = budgetCuts(problem, kinds);
  const book: GainBook = new Map();
  const waiting: Node[] = [
    {
      bound: free.cost,
      rules: budgetRules(problem, kinds),
      closed: null,
      basis: null,
    },
  ];
  // The lowest bound of what need not be looked into any more.
  let done = Number.POSITIVE_INFINITY;
  const leave = (bound: number) => {
    done = Math.min(done, bound);
  };
  let low = free.cost;
  for (let nodes = 0; ; nodes++) {
    waiting.sort((a, b) => b.bound - a.bound);
    const node = waiting.pop();
    if (!node || passes(node.bound)) {
      low = node?.bound ?? Number.POSITIVE_INFINITY;
      break;
    }
    low = Math.max(low, node.bound);
    if (isLate()) break;
    let rules = node.rules;
    if (stem && least < narrowedAt) {
      narrow(stem.prices, stem.rules, least - grain * (1 - CLOSE.grain));
      narrowedAt = least;
    }
    const asked = { closed: node.closed, passes, isOver: isLate };
    let relaxed = relax({ ...asked, rules, basis: node.basis });
    for (let turn = 0; turn < (nodes === 0 ? ROOT_TURNS : NODE_TURNS) && !relaxed.cut && !isLate(); turn++) {
      const more = cuts(relaxed.counts);
      if (more.length === 0) break;
      rules = [...rules, ...more];
      relaxed = relax({ ...asked, rules, basis: relaxed.basis });
    }
    if (relaxed.cut) {
      leave(relaxed.bound);
      continue;
    }
    const bound = Math.max(node.bound, relaxed.bound);
    const { prices } = relaxed;
    const guide = once(() => guideOf(prices, rules));
    if (waiting.length === 0) {
      stem = { prices, rules };
      narrowedAt = never;
    }
    const splits = splitsOf(kinds, budget.length, relaxed.counts);
    // As long as it is open what is left out together, choices made after the relaxation are far from the best.
    const early = splits[0]?.key === 'price' && best !== null;
    let rounded: Int32Array | null = null;
    const roundings = nodes === 0 ? effort.roundings.first : effort.roundings.later;
    for (let turn = 0; turn < roundings && !early && !passes(bound) && !isLate(); turn++) {
      rounded = polish(problem, roundShares(problem, relaxed.shares, out, random, nodes + turn === 0 ? 0 : 0.35), out);
      take(rounded);
    }
    while (
      !early &&
      !passes(bound) &&
      !isLate() &&
      annealed * (1 + idle / effort.patience) < effort.share * (limits.now() - began)
    ) {
      const from = limits.now();
      const start: Int32Array | null = rounded && whole(rounded) && turns % 2 === 1 ? rounded : best;
      if (large) breed(relaxed, guide());
      else if (start) improve(start, guide());
      else break;
      annealed += limits.now() - from;
    }
    if (passes(bound)) {
      leave(bound);
      continue;
    }
    if (isLate()) {
      low = Math.max(low, Math.min(bound, waiting.at(-1)?.bound ?? bound));
      break;
    }
    if (splits.length > 0) {
      const glanceAt = (rule: Rule, changes: number) =>
        glance({ ...asked, rules: [...rules, rule], basis: relaxed.basis }, changes);
      const halves = chooseSplit(splits, book, { bound, least, passes }, glanceAt, !large);
      for (const half of halves) {
        if (passes(half.bound)) {
          leave(half.bound);
          continue;
        }
        waiting.push({
          bound: half.bound,
          rules: [...rules, half.rule],
          closed: node.closed,
          basis: relaxed.basis,
        });
      }
      continue;
    }
    const cell = mostBroken(relaxed.shares);
    if (cell < 0) {
      // Every row is in one place: what the relaxation found is a choice.
      take(roundShares(problem, relaxed.shares, out, random, 0));
      leave(bound);
      continue;
    }
    const row = Math.floor(cell / width);
    const [without, within] = [0, 1].map(() => Uint8Array.from(node.closed ?? new Uint8Array(rows * width))) as [
      Uint8Array,
      Uint8Array,
    ];
    without[cell] = 1;
    for (let place = 0; place < width; place++) if (row * width + place !== cell) within[row * width + place] = 1;
    for (const closed of [without, within]) waiting.push({ rules, bound, closed, basis: relaxed.basis });
  }
  low = Math.min(low, done);
  return { columnOf: best, cost: least, bound: Math.min(lifted(low), least), proven: passes(low) };
}

/** Worked out when it is asked for, and only then. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

/** More than any choice can cost. */
function dearest({ rows, columns, cost, leftOut }: BudgetedProblem): number {
  let sum = 1;
  for (let row = 0; row < rows; row++) {
    let most = leftOut[row] as number;
    for (let column = 0; column < columns; column++) {
      const one = cost[row * columns + column] as number;
      if (Number.isFinite(one) && one > most) most = one;
    }
    sum += most;
  }
  return sum;
}

/** A choice with rows taken out of groups that are over their budgets, the cheapest for their weight first. */
function lightened(problem: BudgetedProblem, columnOf: Int32Array): Int32Array {
  const { weight, leftOut, must, groupOf, budget } = problem;
  const given = givenBy(problem, columnOf);
  const lighter = Int32Array.from(columnOf);
  const worth = (row: number) => (leftOut[row] as number) / (weight[row] as number);
  const heavy = [...lighter.keys()].filter((row) => (weight[row] as number) > 0 && !must[row]);
  for (const row of heavy.sort((a, b) => worth(a) - worth(b))) {
    const column = lighter[row] as number;
    const group = column < 0 ? -1 : (groupOf[column] as number);
    if (group < 0 || (given[group] as number) <= (budget[group] as number) + SLACK) continue;
    given[group] = (given[group] as number) - (weight[row] as number);
    lighter[row] = -1;
  }
  return lighter;
}

/** Of columns as cheap as each other chance takes some: else they would all be of the first groups. */
function openColumns({ rows, columns, cost, must }: BudgetedProblem, random: () => number): Int32Array[] {
  const lot = Float64Array.from({ length: columns }, random);
  return Array.from({ length: rows }, (_, row) => {
    const price = (column: number) => cost[row * columns + column] as number;
    const open: number[] = [];
    for (let column = 0; column < columns; column++) if (Number.isFinite(price(column))) open.push(column);
    open.sort((a, b) => price(a) - price(b) || (lot[a] as number) - (lot[b] as number));
    return Int32Array.from([...(must[row] ? [] : [-1]), ...open.slice(0, OPEN)]);
  });
}

/** Heat at which a row takes columns a little dearer than its cheapest, or is left out for another. */
function heatOf({ rows, columns, cost, leftOut }: BudgetedProblem, open: Int32Array[]): { hot: number; cold: number } {
  let spread = 0;
  open.forEach((choices, row) => {
    const known = choices.filter((column) => column >= 0);
    const price = (at: number) => cost[row * columns + (known[Math.min(at, known.length - 1)] ?? 0)] as number;
    if (known.length > 0) spread += (price(NEXT) - price(0)) / rows;
  });
  if (spread > 0) return { hot: HEAT.hot * spread, cold: HEAT.cold * spread };
  const out = leftOut.reduce((least, price) => (price > 0 ? Math.min(least, price) : least), Number.POSITIVE_INFINITY);
  const hot = Number.isFinite(out) ? HEAT.bare * out : 1;
  return { hot, cold: hot / 16 };
}

/** What leaving out costs for a unit of weight, at the cheapest. */
function priceOfWeight({ weight, leftOut }: BudgetedProblem): number {
  let least = Number.POSITIVE_INFINITY;
  weight.forEach((one, row) => {
    if (one > 0 && (leftOut[row] as number) > 0) least = Math.min(least, (leftOut[row] as number) / one);
  });
  return Number.isFinite(least) ? least : 1;
}
