import { isOver, type SearchLimits } from '../limits';
import { partOf, withPart } from './partOf';
import { polish } from './polish';
import { type BudgetedProblem, costOf, isWithin, type Within } from './problem';
import type { Relaxed } from './relaxation';
import { roundShares } from './rounding';

type Means = {
  out: Float64Array;
  limits: SearchLimits;
  random: () => number;
  /** Improve a choice by chance, at so many times the usual heat. */
  anneal: (columnOf: Int32Array, guide: Float64Array, warmth: number) => Int32Array | null;
  /** Solve a part of the problem, or come as near as the time allows. */
  solve: (part: BudgetedProblem, limits: SearchLimits, start: Int32Array) => Within;
  /** Whether nobody is left out who must not be. */
  whole: (columnOf: Int32Array) => boolean;
  /** Told of every choice that is found. */
  take: (columnOf: Int32Array) => void;
};

/** Share of the time that is left at first in which choices are made from nothing but roundings of the relaxation. */
const START_SHARE = 0.3;
const WARMTHS = [0.4, 0.25, 0.6, 0.25];
/** How far chance bends the roundings, but for the first. */
const BENT = 0.6;
/** Choices that are kept. */
const KEPT = 8;
/** One in so many parts is where the best choice and the relaxation disagree, the others are where two choices do. */
const BY_RELAXATION = 3;
/** What share of a row the relaxation must have where the row is for it to be sure. */
const SURE = 0.9999;
/** Rows that move besides by chance, of all, at first: with the relaxation, and with another choice. */
const LOOSE = { relaxation: 0.1, choices: 0.03 };
/** Share of the time at first in which a part must be done; after one that is, more rows move, else fewer. */
const PART_SHARE = 0.08;
const MORE_LOOSE = 0.05;
const LESS_LOOSE = 0.8;

type Kept = { columnOf: Int32Array; cost: number };

/**
 * Choices bred from each other, for problems too large to be searched whole. The first ones come from roundings of a
 * relaxation, annealed; then what the best one and another, or the best one and the relaxation, agree on stays, and the
 * rest is solved as a problem of its own (relaxation induced neighbourhoods: Danna, Rothberg and Le Pape 2005;
 * crossings of choices: Rothberg 2007).
 * @returns what makes one more choice
 */
export function breeding(problem: BudgetedProblem, means: Means): (relaxed: Relaxed, guide: Float64Array) => void {
  const { rows, groupOf, budget } = problem;
  const { out, limits, random, anneal, solve, whole, take } = means;
  const width = budget.length + 1;
  const placeOf = (column: number) => (column < 0 ? budget.length : (groupOf[column] as number));
  const kept: Kept[] = [];
  const loose = { ...LOOSE };
  const keep = (columnOf: Int32Array) => {
    take(columnOf);
    if (!whole(columnOf) || !isWithin(problem, columnOf)) return;
    const cost = costOf(problem, columnOf);
    if (kept.some((one) => one.cost === cost)) return;
    kept.push({ columnOf, cost });
    kept.sort((a, b) => a.cost - b.cost);
    kept.length = Math.min(kept.length, KEPT);
  };
  const begin = (relaxed: Relaxed, guide: Float64Array, turn: number) => {
    const start = polish(problem, roundShares(problem, relaxed.shares, out, random, turn === 0 ? 0 : BENT), out);
    keep(start);
    const made = anneal(start, guide, WARMTHS[turn % WARMTHS.length] as number);
    if (made) keep(polish(problem, made, out));
  };
  const cross = ({ columnOf }: Kept, shares: Float64Array, turn: number, left: number) => {
    const others = kept.slice(1);
    const other = turn % BY_RELAXATION > 0 ? others[Math.floor(random() * others.length)] : undefined;
    const by = other ? 'choices' : 'relaxation';
    const free = new Uint8Array(rows);
    for (let row = 0; row < rows; row++) {
      const place = placeOf(columnOf[row] as number);
      const agreed = other
        ? place === placeOf(other.columnOf[row] as number)
        : (shares[row * width + place] as number) >= SURE;
      free[row] = !agreed || random() < loose[by] ? 1 : 0;
    }
    const part = partOf(problem, columnOf, free);
    const untilMs = Math.min(limits.untilMs, limits.now() + PART_SHARE * left);
    const { columnOf: made, proven } = solve(part.problem, { ...limits, untilMs, seed: turn + 1 }, part.start);
    loose[by] = proven ? loose[by] + MORE_LOOSE : loose[by] * LESS_LOOSE;
    if (made) keep(polish(problem, withPart(columnOf, part, made), out));
  };
  let began = Number.NaN;
  let turns = 0;
  let crossings = 0;
  return (relaxed, guide) => {
    if (Number.isNaN(began)) began = limits.now();
    const left = limits.untilMs - began;
    const best = kept[0];
    if (!best || limits.now() - began < START_SHARE * left) begin(relaxed, guide, turns++);
    else if (!isOver(limits)) cross(best, relaxed.shares, crossings++, left);
  };
}
