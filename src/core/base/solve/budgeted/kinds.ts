import type { BudgetedProblem } from './problem';

/** Rows that weigh and are worth the same are of one kind: what a relaxation counts. */
export type Kinds = {
  kindOf: Int32Array;
  weights: number[];
  prices: number[];
};

export function kindsOf({ rows, weight, leftOut, must }: BudgetedProblem): Kinds {
  const kinds: Kinds = { kindOf: new Int32Array(rows), weights: [], prices: [] };
  const known = new Map<string, number>();
  for (let row = 0; row < rows; row++) {
    const key = `${weight[row]} ${must[row] ? 'must' : leftOut[row]}`;
    let kind = known.get(key);
    if (kind === undefined) {
      kind = kinds.weights.length;
      known.set(key, kind);
      kinds.weights.push(weight[row]);
      kinds.prices.push(must[row] ? 0 : leftOut[row]);
    }
    kinds.kindOf[row] = kind;
  }
  return kinds;
}
