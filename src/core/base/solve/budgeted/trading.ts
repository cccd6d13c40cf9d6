import { countExchanges } from './countExchanges';
import { countLeap } from './countLeap';
import { type CountCut, costByCut, countProgram } from './countProgram';
import type { Kinds } from './kinds';
import { type BudgetedProblem, costOf } from './problem';
import { weightClasses, weightCounts } from './weightCounts';

/** Counts that a linear program can be asked about: more make it slow. */
const MOST_COUNTS = 250;
/** A question goes on until its cost is so many steps, or such a share, above the best: the dearer, the more it tells. */
const BEYOND = { steps: 4, share: 3e-4 };
/** The same after a leap, from where trades may lead further: as a share. */
const BEYOND_LEAP = 5e-3;
/** A choice is better by so much of a step, or by such a share. */
const BETTER = { steps: 0.9, share: 1e-7 };

/** Exchanges between two looks at the clock. */
const LOOK = 1024;

type Means = {
  /** Step in which all sums come, 0 for none. */
  grain: number;
  /** What leaving out costs for a unit of weight, at the cheapest. */
  overPrice: number;
  random: () => number;
  isOver: () => boolean;
  /** Told of every choice that is found. */
  take: (columnOf: Int32Array) => void;
};

/**
 * Choices made better by changing counts: how many rows of each weight each group has. Which rows these are is then a
 * linear program, and what it tells about some counts rules out most others, so that of hundreds of exchanges only a few
 * are tried. What was told holds for later choices too.
 * @returns null where there are too many counts; else `trade`, which betters a choice by exchanges until none helps, and
 *   `leap`, which goes from it to counts further off and trades on from there, and says whether there were any
 */
export function trading(
  problem: BudgetedProblem,
  kinds: Kinds,
  out: Float64Array,
  { grain, overPrice, random, isOver, take }: Means,
): { trade: (columnOf: Int32Array) => void; leap: (columnOf: Int32Array) => boolean } | null {
  const classes = weightClasses(problem);
  if (classes.weights.length * classes.places > MOST_COUNTS) return null;
  const ask = countProgram(problem, kinds, classes, out);
  const exchanges = countExchanges(classes, problem.budget, isOver);
  const cuts: CountCut[] = [];
  // Counts from which all exchanges were tried, and those that leaps have led to.
  const settled = new Set<string>();
  const leaptTo = new Set<string>();
  const apart = ({ steps, share }: typeof BETTER, cost: number) => (grain > 0 ? steps * grain : share * cost);
  const belowOf = (cost: number) => cost - apart(BETTER, cost);
  /** What counts cost at least, Infinity when that is not below: most are ruled out by one of the latest cuts. */
  const costBelow = (counts: Int32Array, below: number): number => {
    let most = Number.NEGATIVE_INFINITY;
    for (let at = cuts.length - 1; at >= 0; at--) {
      most = Math.max(most, costByCut(cuts[at], counts));
      if (most >= below) return Number.POSITIVE_INFINITY;
    }
    return most;
  };
  /** The cheapest choice with such counts when it costs less than `enough`; what is told besides is kept. */
  const choiceAt = (counts: Int32Array, enough: number): Int32Array | null => {
    const { cut, columnOf } = ask(counts, enough, isOver);
    cuts.push(cut);
    if (columnOf) take(columnOf);
    return columnOf;
  };

  const trade = (start: Int32Array) => {
    let least = costOf(problem, start);
    const isBetter = (counts: Int32Array) => {
      const columnOf = choiceAt(counts, least + apart(BEYOND, least));
      const cost = columnOf ? costOf(problem, columnOf) : Number.POSITIVE_INFINITY;
      if (cost > belowOf(least)) return false;
      least = cost;
      return true;
    };
    let counts = weightCounts(problem, classes, start);
    isBetter(counts);
    for (;;) {
      const key = counts.join();
      if (settled.has(key) || isOver()) return;
      settled.add(key);
      const here = cuts[cuts.length - 1];
      const known = cuts.length;
      const below = belowOf(least);
      const likely: { other: Int32Array; cost: number }[] = [];
      for (const [at, other] of exchanges(counts, here, below).entries()) {
        if (at % LOOK === 0 && isOver()) return;
        const cost = costBelow(other, below);
        if (cost < below) likely.push({ other, cost });
      }
      likely.sort((a, b) => a.cost - b.cost);
      const isOpen = (other: Int32Array) => cuts.slice(known).every((cut) => costByCut(cut, other) < below);
      const better = likely.find(({ other }) => !isOver() && isOpen(other) && isBetter(other));
      if (!better) return;
      counts = better.other;
    }
  };
  return {
    trade,
    leap: (start) => {
      if (cuts.length === 0) trade(start);
      const cost = costOf(problem, start);
      const counts = countLeap(classes, problem.budget, cuts, weightCounts(problem, classes, start), {
        below: belowOf(cost),
        overPrice,
        random,
        isKnown: (other) => leaptTo.has(other.join()),
      });
      if (!counts) return false;
      leaptTo.add(counts.join());
      const columnOf = choiceAt(counts, cost * (1 + BEYOND_LEAP));
      if (columnOf) trade(columnOf);
      return true;
    },
  };
}
