import { isOver, type SearchLimits } from '../limits';
import { anneal } from './anneal';
import type { Kinds } from './kinds';
import { polish } from './polish';
import { type BudgetedProblem, costOf } from './problem';
import type { Relaxed } from './relaxation';
import { roundShares } from './rounding';
import { trading } from './trading';

/** Heat of the annealing, as shares of what a row's next columns cost more, or of the cheapest leaving out. */
const HEAT = { hot: 0.25, cold: 0.015, bare: 0.2 };
/** So many times the usual heat, in turn. */
const WARMTHS = [0.4, 0.25, 0.6, 0.25];
/**
 * Roundings of the first node and of each later one; annealing: moves for each pair of rows; share of the time for making
 * choices, after how many turns that bring nothing better it is half of that, and what part of the time annealed choices
 * are only gathered at first, so that the best of them are traded.
 */
const EFFORT = {
  small: { roundings: { first: 3, later: 1 }, moves: 8, share: 0.2, patience: 4, gather: 0 },
  large: { roundings: { first: 2, later: 0 }, moves: 6, share: 0.9, patience: 20, gather: 0.3 },
};
/** How far chance bends the roundings, but for the first: those of nodes, and those that are annealed. */
const BENT = { node: 0.35, start: 0.6 };
/** Prices of a unit over a budget, as shares of what leaving a unit out costs: at first, and at last. */
const OVER = { low: 3, high: 30 };
/** Leaps without a find, one after the other, before choices are annealed anew. */
const LEAPS = 50;
/** Columns that are tried for a row: its cheapest. */
const OPEN = 48;
/** The column by which the spread of a row's costs is told. */
const NEXT = 24;
/** Above so many cells choices take most of the time, and splits are taken without trying them first: a trial costs as much as many nodes. */
const LARGE_CELLS = 20_000;

export const isLarge = ({ rows, columns }: BudgetedProblem): boolean => rows * columns > LARGE_CELLS;

type Means = {
  kinds: Kinds;
  /** Step in which all sums come, 0 for none. */
  grain: number;
  out: Float64Array;
  limits: SearchLimits;
  random: () => number;
  /** Told of every choice that is found; whether it keeps the budgets and leaves nobody out who must not be. */
  take: (columnOf: Int32Array) => boolean;
  best: () => { columnOf: Int32Array | null; cost: number };
};

/**
 * Makes choices after relaxations: rounds them, and as long as its share of the time lasts anneals the roundings, trades
 * the cheapest of what comes of it, and leaps from the best.
 * @returns to be called at each relaxation, with costs that lead the way after it, and whether that is enough
 */
export function choiceMaking(
  problem: BudgetedProblem,
  { kinds, grain, out, limits, random, take, best }: Means,
): (relaxed: Relaxed, guideOf: () => Float64Array, isEnough: () => boolean) => void {
  const effort = EFFORT[isLarge(problem) ? 'large' : 'small'];
  const began = limits.now();
  const isLate = () => isOver(limits);
  const overPrice = priceOfWeight(problem);
  // Worked out for the first annealing, which often is not needed.
  let ground: { open: Int32Array[]; heat: { hot: number; cold: number } } | null = null;
  const annealed = (columnOf: Int32Array, guide: Float64Array, warmth: number) => {
    if (!ground) {
      const open = openColumns(problem, random);
      ground = { open, heat: heatOf(problem, open) };
    }
    const { open, heat } = ground;
    return anneal(problem, columnOf, {
      random,
      open,
      moves: problem.rows ** 2 * effort.moves,
      hot: heat.hot * warmth,
      cold: heat.cold,
      over: { low: overPrice * OVER.low, high: overPrice * OVER.high },
      guide,
      isOver: isLate,
    });
  };
  const trades = trading(problem, kinds, out, { grain, overPrice, random, isOver: isLate, take });
  const waiting: { columnOf: Int32Array; cost: number }[] = [];
  let turns = 0;
  let idleLeaps = 0;
  const begin = ({ shares }: Relaxed, guide: Float64Array) => {
    const start = polish(problem, roundShares(problem, shares, out, random, turns === 0 ? 0 : BENT.start), out);
    const made = annealed(start, guide, WARMTHS[turns % WARMTHS.length]);
    const columnOf = made ? polish(problem, made, out) : start;
    turns += 1;
    if (take(columnOf)) waiting.push({ columnOf, cost: costOf(problem, columnOf) });
  };
  /** One choice more, or one better. */
  const improve = (relaxed: Relaxed, guide: Float64Array) => {
    const { columnOf } = best();
    const gathers = turns === 0 || limits.now() - began < effort.gather * (limits.untilMs - began);
    if (gathers || !trades || !columnOf) begin(relaxed, guide);
    else if (waiting.length > 0) {
      waiting.sort((a, b) => b.cost - a.cost);
      trades.trade((waiting.pop() as { columnOf: Int32Array }).columnOf);
      idleLeaps = 0;
    } else if (idleLeaps < LEAPS) idleLeaps = trades.leap(columnOf) ? 0 : idleLeaps + 1;
    else begin(relaxed, guide);
  };
  let calls = 0;
  let spent = 0;
  // Turns since the last one that brought something better: the more, the less time the next ones get.
  let idle = 0;
  return (relaxed, guideOf, isEnough) => {
    const roundings = calls === 0 ? effort.roundings.first : effort.roundings.later;
    for (let turn = 0; turn < roundings && !isEnough(); turn++) {
      const bent = calls + turn === 0 ? 0 : BENT.node;
      take(polish(problem, roundShares(problem, relaxed.shares, out, random, bent), out));
    }
    calls += 1;
    let guide: Float64Array | null = null;
    while (!isEnough() && spent * (1 + idle / effort.patience) < effort.share * (limits.now() - began)) {
      const from = limits.now();
      const { cost } = best();
      guide ??= guideOf();
      improve(relaxed, guide);
      idle = best().cost < cost ? 0 : idle + 1;
      spent += limits.now() - from;
    }
  };
}

/** Of columns as cheap as each other chance takes some: else they would all be of the first groups. */
function openColumns({ rows, columns, cost, must }: BudgetedProblem, random: () => number): Int32Array[] {
  const lot = Float64Array.from({ length: columns }, random);
  return Array.from({ length: rows }, (_, row) => {
    const price = (column: number) => cost[row * columns + column];
    const open: number[] = [];
    for (let column = 0; column < columns; column++) if (Number.isFinite(price(column))) open.push(column);
    open.sort((a, b) => price(a) - price(b) || lot[a] - lot[b]);
    return Int32Array.from([...(must[row] ? [] : [-1]), ...open.slice(0, OPEN)]);
  });
}

/** Heat at which a row takes columns a little dearer than its cheapest, or is left out for another. */
function heatOf({ rows, columns, cost, leftOut }: BudgetedProblem, open: Int32Array[]): { hot: number; cold: number } {
  let spread = 0;
  open.forEach((choices, row) => {
    const known = choices.filter((column) => column >= 0);
    const price = (at: number) => cost[row * columns + (known[Math.min(at, known.length - 1)] ?? 0)];
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
    if (one > 0 && leftOut[row] > 0) least = Math.min(least, leftOut[row] / one);
  });
  return Number.isFinite(least) ? least : 1;
}
