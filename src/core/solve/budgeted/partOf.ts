import type { BudgetedProblem } from './problem';

export type Part = { problem: BudgetedProblem; start: Int32Array; rows: Int32Array; columns: Int32Array };

/**
 * What a choice leaves to be done anew when all but some rows stay where they are: these rows, the columns that nobody
 * else has, and what the others leave of the budgets.
 * @param free 1 for each row that may move
 */
export function partOf(whole: BudgetedProblem, columnOf: Int32Array, free: Uint8Array): Part {
  const { groupOf, cost, weight, columns: width } = whole;
  const budget = Float64Array.from(whole.budget);
  const kept = new Uint8Array(width);
  columnOf.forEach((column, row) => {
    if (free[row] || column < 0) return;
    kept[column] = 1;
    const group = groupOf[column] as number;
    budget[group] = (budget[group] as number) - (weight[row] as number);
  });
  const rows = Int32Array.from([...free.keys()].filter((row) => free[row]));
  const columns = Int32Array.from([...kept.keys()].filter((column) => !kept[column]));
  const seat = new Map([...columns].map((column, at) => [column, at]));
  const part = new Float64Array(rows.length * columns.length);
  rows.forEach((row, at) => {
    columns.forEach((column, to) => {
      part[at * columns.length + to] = cost[row * width + column] as number;
    });
  });
  const of = <T extends Float64Array | Uint8Array>(values: T): T => values.filter((_, row) => free[row]) as T;
  return {
    problem: {
      rows: rows.length,
      columns: columns.length,
      cost: part,
      leftOut: of(whole.leftOut),
      must: of(whole.must),
      weight: of(weight),
      groupOf: Int32Array.from(columns, (column) => groupOf[column] as number),
      budget,
    },
    start: Int32Array.from(rows, (row) => seat.get(columnOf[row] as number) ?? -1),
    rows,
    columns,
  };
}

/** The whole choice with a part of it done anew. */
export function withPart(columnOf: Int32Array, { rows, columns }: Part, made: Int32Array): Int32Array {
  const next = Int32Array.from(columnOf);
  rows.forEach((row, at) => {
    next[row] = columns[made[at] as number] ?? -1;
  });
  return next;
}
