/** One-to-one assignment of rows to columns where the columns of a group share a budget of what the rows weigh. */
export type BudgetedProblem = {
  rows: number;
  columns: number;
  /** Row-major rows × columns, at least 0; Infinity where a pair is impossible. */
  cost: Float64Array;
  /** Price of leaving each row out. */
  leftOut: Float64Array;
  /** 1 where a row may not be left out. */
  must: Uint8Array;
  /** What each row takes of the budget of its column's group. */
  weight: Float64Array;
  groupOf: Int32Array;
  budget: Float64Array;
};

/** Sums of decimal figures are compared with this much play. */
export const SLACK = 1e-6;

const costAt = (problem: BudgetedProblem, row: number, column: number): number =>
  column < 0 ? problem.leftOut[row] : problem.cost[row * problem.columns + column];

export function costOf(problem: BudgetedProblem, columnOf: Int32Array): number {
  let sum = 0;
  for (let row = 0; row < problem.rows; row++) sum += costAt(problem, row, columnOf[row]);
  return sum;
}

/** What each group has given away. */
export function givenBy({ rows, weight, groupOf, budget }: BudgetedProblem, columnOf: Int32Array): Float64Array {
  const given = new Float64Array(budget.length);
  for (let row = 0; row < rows; row++) {
    const column = columnOf[row];
    if (column >= 0) {
      const group = groupOf[column];
      given[group] = given[group] + weight[row];
    }
  }
  return given;
}

export function isWithin(problem: BudgetedProblem, columnOf: Int32Array): boolean {
  const given = givenBy(problem, columnOf);
  return problem.budget.every((budget, group) => given[group] <= budget + SLACK);
}

/** By how much a group comes further over its budget when it gives so much more. */
export function further(beyond: number, more: number): number {
  const then = beyond + more;
  return (then > 0 ? then : 0) - (beyond > 0 ? beyond : 0);
}

export type Within = {
  /** For each row its column, -1 for left out; null when there is none, or none was found. */
  columnOf: Int32Array | null;
  cost: number;
  /** No choice is cheaper. */
  bound: number;
  proven: boolean;
};
