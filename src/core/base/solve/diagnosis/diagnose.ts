import { isOver, type SearchLimits } from '../limits';
import { everySet, MOST_EXACT, treeOf } from './everySet';
import { lookAhead } from './lookAhead';
import { type DiagnosisProblem, type DiagnosisTree, leastCost, mendLine, treeCost } from './problem';

/** So many suspects a problem may have. */
export const MOST_SUSPECTS = 52;
/** Beyond so many the time for every set is no longer there at once. */
const SURE_EXACT = 20;
const DEPTH = 4;
/** So many rounds beyond. */
const FURTHER = 6;

export type Diagnosis = {
  tree: DiagnosisTree | null;
  /** Expected minutes until the fault is mended. */
  cost: number;
  bound: number;
  proven: boolean;
};

/**
 * What to test and what to mend, in which order, with the least expected minutes until the fault is mended: over all sets of
 * suspects where they are few; else by looking four steps ahead, and further while there is time.
 */
export function diagnose(problem: DiagnosisProblem, limits: SearchLimits): Diagnosis {
  const suspects = Array.from(problem.odds, (_, at) => at);
  const all = problem.odds.reduce((sum, one) => sum + one, 0);
  if (suspects.length === 0 || all <= 0) return { tree: null, cost: 0, bound: 0, proven: true };
  const seconds = (limits.untilMs - limits.now()) / 1000;
  if (
    suspects.length <= SURE_EXACT ||
    (suspects.length <= MOST_EXACT && seconds > 4 * 2 ** (suspects.length - SURE_EXACT))
  ) {
    const every = everySet(problem, suspects);
    const set = 2 ** suspects.length - 1;
    const cost = (every.cost[set] ?? 0) / all;
    return { tree: treeOf(problem, suspects, every, set), cost, bound: cost, proven: true };
  }
  let best: DiagnosisTree = mendLine(problem, suspects).reduceRight<DiagnosisTree | null>(
    (rest, mend) => ({ mend, else: rest }),
    null,
  ) as DiagnosisTree;
  let cost = treeCost(problem, suspects, best);
  const take = (tree: DiagnosisTree | null) => {
    if (!tree) return;
    const other = treeCost(problem, suspects, tree);
    if (other < cost) [best, cost] = [tree, other];
  };
  // From near to far, so that there is something whenever it ends; then what takes longer, by turns.
  for (let depth = 1; depth <= DEPTH && !isOver(limits); depth++)
    take(lookAhead(problem, suspects, depth, false, limits));
  for (let more = 1; more <= FURTHER && !isOver(limits); more++) {
    take(lookAhead(problem, suspects, more + 1, true, limits));
    take(lookAhead(problem, suspects, DEPTH + more, false, limits));
  }
  const bound = leastCost(problem, suspects);
  return { tree: best, cost: cost / all, bound: Math.min(bound, cost) / all, proven: cost <= bound + 1e-9 };
}
