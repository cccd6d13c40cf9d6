import type { BudgetedProblem } from '../../src/core/base/solve/budgeted/problem';
import { seededRandom } from '../../src/core/base/solve/random';

/** Twelve rows and fourteen columns in two groups, with budgets that bind. */
export function someProblem(seed: number): BudgetedProblem {
  const random = seededRandom(seed);
  const [rows, columns] = [12, 14];
  return {
    rows,
    columns,
    cost: Float64Array.from({ length: rows * columns }, () =>
      random() < 0.2 ? Number.POSITIVE_INFINITY : Math.ceil(random() * 100),
    ),
    leftOut: Float64Array.from({ length: rows }, () => 100 * Math.ceil(random() * 3)),
    must: new Uint8Array(rows),
    weight: Float64Array.from({ length: rows }, () => [0, 7, 15.4, 30][Math.floor(random() * 4)] as number),
    groupOf: Int32Array.from({ length: columns }, (_, at) => at % 2),
    budget: Float64Array.of(45, 60),
  };
}
