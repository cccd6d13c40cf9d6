import type { SearchLimits } from '../limits';
import type { Kinds } from './kinds';
import { polish } from './polish';
import { type BudgetedProblem, costOf, isWithin } from './problem';
import type { Relaxed } from './relaxation';
import { roundShares } from './rounding';
import { trading } from './trading';

type Means = {
  kinds: Kinds;
  grain: number;
  out: Float64Array;
  limits: SearchLimits;
  random: () => number;
  isOver: () => boolean;
  /** Improve a choice by chance, at so many times the usual heat. */
  anneal: (columnOf: Int32Array, guide: Float64Array, warmth: number) => Int32Array | null;
  /** Whether nobody is left out who must not be. */
  whole: (columnOf: Int32Array) => boolean;
  /** Told of every choice that is found. */
  take: (columnOf: Int32Array) => void;
};

/** Share of the time that is left at first in which choices are only annealed, so that the best of them is traded. */
const START_SHARE = Number(process.env.SS ?? 0.3);
const WARMTHS = [0.4, 0.25, 0.6, 0.25];
/** How far chance bends the roundings, but for the first. */
const BENT = 0.6;

/**
 * Choices for problems too large to be searched whole: roundings of a relaxation, annealed, the cheapest of them traded
 * first.
 * @returns what makes or betters one more choice
 */
export function tradedChoices(problem: BudgetedProblem, means: Means): (relaxed: Relaxed, guide: Float64Array) => void {
  const { kinds, grain, out, limits, random, isOver, anneal, whole, take } = means;
  const trade = trading(problem, kinds, out, { grain, isOver, take });
  const waiting: { columnOf: Int32Array; cost: number }[] = [];
  const keep = (columnOf: Int32Array) => {
    take(columnOf);
    if (whole(columnOf) && isWithin(problem, columnOf)) waiting.push({ columnOf, cost: costOf(problem, columnOf) });
  };
  const begin = ({ shares }: Relaxed, guide: Float64Array, turn: number) => {
    const start = polish(problem, roundShares(problem, shares, out, random, turn === 0 ? 0 : BENT), out);
    const made = anneal(start, guide, WARMTHS[turn % WARMTHS.length] as number);
    keep(made ? polish(problem, made, out) : start);
  };
  let began = Number.NaN;
  let turns = 0;
  return (relaxed, guide) => {
    if (Number.isNaN(began)) began = limits.now();
    const isEarly = limits.now() - began < START_SHARE * (limits.untilMs - began);
    waiting.sort((a, b) => b.cost - a.cost);
    const next = isEarly || !trade ? undefined : waiting.pop();
    if (process.env.DBG && next) console.error('trade', (limits.now() - began) | 0, next.cost - Number(process.env.DBG));
    if (next && trade) trade(next.columnOf);
    else begin(relaxed, guide, turns++);
  };
}
