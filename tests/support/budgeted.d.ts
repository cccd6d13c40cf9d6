import type { BudgetedProblem } from '../../src/core/solve/budgeted/problem';
/** Twelve rows and fourteen columns in two groups, with budgets that bind. */
export declare function someProblem(seed: number): BudgetedProblem;
//# sourceMappingURL=budgeted.d.ts.map
