import type { Kinds } from './kinds';
import { type BudgetedProblem, SLACK } from './problem';

/**
 * A row of the relaxation: what counts of each kind in each group, and of each kind left out, may come to at most.
 * Cells lie kind after kind, groups + 1 of each; the last one is for left out.
 */
export type Rule = { cells: Int32Array; factors: Float64Array; limit: number };

/** The rule with its largest factor at 1: rules of very different sizes make inverses lose their figures. */
export function ruleOf(parts: readonly (readonly [cell: number, factor: number])[], limit: number): Rule {
  const most = parts.reduce((so, [, factor]) => Math.max(so, Math.abs(factor)), 0) || 1;
  return {
    cells: Int32Array.from(parts, ([cell]) => cell),
    factors: Float64Array.from(parts, ([, factor]) => factor / most),
    limit: limit / most,
  };
}

/** That no group gives more than its budget. */
export function budgetRules({ budget }: BudgetedProblem, { weights }: Kinds): Rule[] {
  const width = budget.length + 1;
  return Array.from(budget, (limit, group) =>
    ruleOf(
      weights.map((weight, kind) => [kind * width + group, weight]),
      limit + SLACK,
    ),
  );
}

/** Adds up for each cell what the rules have of it, at the amount that `amounts` has for each rule from `first` on. */
export function sumOfRules(rules: readonly Rule[], amounts: Float64Array, first: number, sums: Float64Array): void {
  sums.fill(0);
  for (let at = 0; at < rules.length; at++) {
    const amount = amounts[first + at];
    if (amount === 0) continue;
    const { cells, factors } = rules[at];
    for (let part = 0; part < cells.length; part++) {
      const cell = cells[part];
      sums[cell] = sums[cell] + amount * factors[part];
    }
  }
}
