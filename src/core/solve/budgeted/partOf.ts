import type { BudgetedProblem } from './problem';

export type Part = { problem: BudgetedProblem; start: Int32Array; rows: Int32Array; columns: Int32Array };

/** What a choice leaves to be done anew when all but some groups stay as they are: their rows and those left out. */
export function partOf(whole: BudgetedProblem, columnOf: Int32Array, groups: readonly number[]): Part {
  const { groupOf, cost, columns: width } = whole;
  const columns = Int32Array.from([...groupOf.keys()].filter((column) => groups.includes(groupOf[column] as number)));
  const seat = new Map([...columns].map((column, at) => [column, at]));
  const rows = Int32Array.from(
    [...columnOf.keys()].filter((row) => {
      const column = columnOf[row] as number;
      return column < 0 || seat.has(column);
    }),
  );
  const part = new Float64Array(rows.length * columns.length);
  rows.forEach((row, at) => {
    columns.forEach((column, to) => {
      part[at * columns.length + to] = cost[row * width + column] as number;
    });
  });
  const of = <T extends Float64Array | Uint8Array>(values: T): T => values.filter((_, row) => rows.includes(row)) as T;
  return {
    problem: {
      rows: rows.length,
      columns: columns.length,
      cost: part,
      leftOut: of(whole.leftOut),
      must: of(whole.must),
      weight: of(whole.weight),
      groupOf: Int32Array.from(columns, (column) => groups.indexOf(groupOf[column] as number)),
      budget: Float64Array.from(groups, (group) => whole.budget[group] as number),
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
