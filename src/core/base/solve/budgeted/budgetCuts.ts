import { budgetCut } from './budgetCut';
import type { Kinds } from './kinds';
import { type BudgetedProblem, SLACK } from './problem';
import { type Rule, ruleOf } from './rules';
import { brokenBy, WHOLE } from './splits';

/** With more weights than these what fills a budget hardly leaves a gap, and cuts take most of the time. */
const MOST_WEIGHTS = 16;

/** Finds rules that whole counts within the budgets keep and the counts of a relaxation do not, a group at a time. */
export function budgetCuts(problem: BudgetedProblem, { kindOf, weights }: Kinds): (counts: Float64Array) => Rule[] {
  const { rows, columns, cost, weight, groupOf, budget } = problem;
  const width = budget.length + 1;
  const heavy = Float64Array.from(new Set(weights.filter((one) => one > 0)));
  const kindsOfWeight = Array.from(heavy, (one) => [...weights.keys()].filter((kind) => weights[kind] === one));
  const most = Array.from(budget, () => new Int32Array(heavy.length));
  heavy.forEach((one, at) => {
    const rowsOf = [...kindOf.keys()].filter((row) => weight[row] === one);
    for (let column = 0; column < columns; column++) {
      const room = most[groupOf[column]];
      if (room[at] < rowsOf.length && rowsOf.some((row) => Number.isFinite(cost[row * columns + column])))
        room[at] = room[at] + 1;
    }
  });
  if (rows === 0 || heavy.length > MOST_WEIGHTS) return () => [];
  return (counts) =>
    [...budget].flatMap((limit, group): Rule[] => {
      const here = Float64Array.from(kindsOfWeight, (kinds) =>
        kinds.reduce((sum, kind) => sum + counts[kind * width + group], 0),
      );
      // What is whole fills the budget as well as a choice can.
      if (here.every((count) => brokenBy(count) < WHOLE)) return [];
      // With the play that a choice has too: else what fills a budget to the last decimal would be cut off.
      const cut = budgetCut(heavy, most[group], limit + SLACK, here);
      if (!cut) return [];
      const parts = kindsOfWeight.flatMap((kinds, at) =>
        kinds.map((kind): [number, number] => [kind * width + group, cut.factors[at]]),
      );
      return [ruleOf(parts, cut.limit + 1e-9)];
    });
}
