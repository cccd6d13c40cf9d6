import { countExchanges } from './countExchanges';
import { type CountCut, costByCut, countProgram } from './countProgram';
import type { Kinds } from './kinds';
import { type BudgetedProblem, costOf } from './problem';
import { weightClasses, weightCounts } from './weightCounts';

/** Counts that a linear program can be asked about: more make it slow. */
const MOST_COUNTS = 120;
/** A question goes on until its cost is so many steps, or such a share, above the best: the dearer, the more it tells. */
const BEYOND = { steps: 4, share: 3e-4 };
/** A choice is better by so much of a step, or by such a share. */
const BETTER = { steps: 0.9, share: 1e-7 };

type Trading = {
  /** Step in which all sums come, 0 for none. */
  grain: number;
  isOver: () => boolean;
  /** Told of every choice that is found. */
  take: (columnOf: Int32Array) => void;
};

/**
 * Choices made better by exchanging counts: how many rows of each weight each group has. Which rows these are is then a
 * linear program, and what it tells about some counts rules out most others, so that of hundreds of exchanges only a few
 * are tried. What was told holds for later choices too.
 * @returns null where there are too many counts
 */
export function trading(
  problem: BudgetedProblem,
  kinds: Kinds,
  out: Float64Array,
  { grain, isOver, take }: Trading,
): ((columnOf: Int32Array) => void) | null {
  const classes = weightClasses(problem);
  if (classes.weights.length * classes.places > MOST_COUNTS) return null;
  const ask = countProgram(problem, kinds, classes, out);
  const exchanges = countExchanges(classes, problem.budget);
  const cuts: CountCut[] = [];
  const met = new Set<string>();
  return (start) => {
    let least = costOf(problem, start);
    let counts = weightCounts(problem, classes, start);
    const below = () => least - (grain > 0 ? BETTER.steps * grain : BETTER.share * least);
    const ruledOut = (other: Int32Array, from: number) => {
      for (let at = cuts.length - 1; at >= from; at--)
        if (costByCut(cuts[at] as CountCut, other) >= below()) return true;
      return false;
    };
    const isBetter = (other: Int32Array) => {
      const enough = least + (grain > 0 ? BEYOND.steps * grain : BEYOND.share * least);
      const { cut, columnOf } = ask(other, enough, isOver);
      cuts.push(cut);
      if (!columnOf) return false;
      const cost = costOf(problem, columnOf);
      take(columnOf);
      if (cost > below()) return false;
      least = cost;
      return true;
    };
    isBetter(counts);
    for (;;) {
      // Where another choice has come before, all else has been tried.
      const key = counts.join();
      if (met.has(key) || isOver()) return;
      met.add(key);
      const known = cuts.length;
      const likely = exchanges(counts, cuts[known - 1] as CountCut, below())
        .filter((other) => !ruledOut(other, 0))
        .map((other) => ({ other, cost: Math.max(...cuts.map((cut) => costByCut(cut, other))) }))
        .sort((a, b) => a.cost - b.cost);
      const better = likely.find(({ other }) => !isOver() && !ruledOut(other, known) && isBetter(other));
      if (!better) return;
      counts = better.other;
    }
  };
}
