import { isOver, type SearchLimits } from '../limits';
import { anneal } from './anneal';
import type { Kinds } from './kinds';
import { polish } from './polish';
import type { BudgetedProblem } from './problem';
import type { Relaxed } from './relaxation';
import { roundShares } from './rounding';
import { tradedChoices } from './tradedChoices';

/** Heat of the annealing, as shares of what a row's next columns cost more, or of the cheapest leaving out. */
const HEAT = { hot: 0.25, cold: 0.015, bare: 0.2 };
/**
 * Roundings of the first node and of each later one; annealing: moves for each pair of rows, share of the time, and after
 * how many turns that bring nothing better it is half of that.
 */
const EFFORT = {
  small: { roundings: { first: 3, later: 1 }, moves: 8, share: 0.35, patience: 4 },
  middle: { roundings: { first: 2, later: 1 }, moves: 20, share: 0.7, patience: 8 },
  large: { roundings: { first: 2, later: 0 }, moves: 6, share: 0.9, patience: Number.POSITIVE_INFINITY },
};
/** How far chance bends the roundings, but for the first. */
const BENT = 0.35;
/** Prices of a unit over a budget that are tried in turn, as shares of what leaving a unit out costs. */
const OVER_PRICES = [3, 6] as const;
/** Columns that are tried for a row: its cheapest. */
const OPEN = 48;
/** The column by which the spread of a row's costs is told. */
const NEXT = 24;
/** Above so many cells roundings and annealing take more of the time than nodes. */
const MIDDLE_CELLS = 7000;
/** Above so many cells choices are traded, and splits are taken without trying them first: a trial costs as much as many nodes. */
const LARGE_CELLS = 20_000;

export const isLarge = ({ rows, columns }: BudgetedProblem): boolean => rows * columns > LARGE_CELLS;

type Means = {
  kinds: Kinds;
  /** Step in which all sums come, 0 for none. */
  grain: number;
  out: Float64Array;
  limits: SearchLimits;
  random: () => number;
  /** Whether nobody is left out who must not be. */
  whole: (columnOf: Int32Array) => boolean;
  /** Told of every choice that is found. */
  take: (columnOf: Int32Array) => void;
  best: () => { columnOf: Int32Array | null; cost: number };
};

/**
 * Makes choices after relaxations: rounds them, and as long as its share of the time lasts anneals, or trades large ones.
 * @returns to be called at each relaxation, with costs that lead the way after it, and whether that is enough
 */
export function choiceMaking(
  problem: BudgetedProblem,
  means: Means,
): (relaxed: Relaxed, guideOf: () => Float64Array, isEnough: () => boolean) => void {
  const { rows, columns } = problem;
  const { kinds, grain, out, limits, random, whole, take, best } = means;
  const large = isLarge(problem);
  const effort = EFFORT[large ? 'large' : rows * columns > MIDDLE_CELLS ? 'middle' : 'small'];
  const began = limits.now();
  const overPrice = priceOfWeight(problem);
  // Worked out for the first annealing, which often is not needed.
  let ground: { open: Int32Array[]; heat: { hot: number; cold: number } } | null = null;
  const annealFrom = (columnOf: Int32Array, guide: Float64Array, warmth: number, over: number) => {
    if (!ground) {
      const open = openColumns(problem, random);
      ground = { open, heat: heatOf(problem, open) };
    }
    const { open, heat } = ground;
    return anneal(problem, columnOf, {
      random,
      open,
      moves: rows * rows * effort.moves,
      hot: heat.hot * warmth,
      cold: heat.cold,
      over: { low: overPrice * over, high: 10 * overPrice * over },
      guide,
      isOver: () => isOver(limits),
    });
  };
  const makeLarge = tradedChoices(problem, {
    kinds,
    grain,
    out,
    limits,
    random,
    isOver: () => isOver(limits),
    whole,
    take,
    anneal: (columnOf, guide, warmth) => annealFrom(columnOf, guide, warmth, OVER_PRICES[0]),
  });
  let calls = 0;
  let annealed = 0;
  let turns = 0;
  // Turns since the last one that brought something better: the more, the less time the next ones get.
  let idle = 0;
  const improve = (rounded: Int32Array | null, guide: Float64Array): boolean => {
    const { columnOf, cost } = best();
    const start = rounded && whole(rounded) && turns % 2 === 1 ? rounded : columnOf;
    if (!start) return false;
    const found = annealFrom(start, guide, 1, OVER_PRICES[turns++ % OVER_PRICES.length] as number);
    if (found) take(polish(problem, found, out));
    idle = best().cost < cost ? 0 : idle + 1;
    return true;
  };
  return (relaxed, guideOf, isEnough) => {
    const roundings = calls === 0 ? effort.roundings.first : effort.roundings.later;
    let rounded: Int32Array | null = null;
    for (let turn = 0; turn < roundings && !isEnough(); turn++) {
      rounded = polish(problem, roundShares(problem, relaxed.shares, out, random, calls + turn === 0 ? 0 : BENT), out);
      take(rounded);
    }
    calls += 1;
    let guide: Float64Array | null = null;
    while (!isEnough() && annealed * (1 + idle / effort.patience) < effort.share * (limits.now() - began)) {
      const from = limits.now();
      guide ??= guideOf();
      if (large) makeLarge(relaxed, guide);
      else if (!improve(rounded, guide)) break;
      annealed += limits.now() - from;
    }
  };
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
