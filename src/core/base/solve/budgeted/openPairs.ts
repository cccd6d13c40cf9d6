import type { BudgetedProblem } from './problem';

/**
 * Pairs of a row and a column that may still be in a better choice, row after row and in each group after group:
 * those of row r and group g lie from `from[r × groups + g]` until `until[r × groups + g]`.
 */
export type OpenPairs = { columnAt: Int32Array; priceAt: Float64Array; from: Int32Array; until: Int32Array };

/**
 * Every pair that is possible.
 * @param price rows × columns, Infinity where a pair is impossible
 */
export function openPairs({ rows, columns, groupOf, budget }: BudgetedProblem, price: Float64Array): OpenPairs {
  const groups = budget.length;
  const order = Int32Array.from({ length: columns }, (_, column) => column);
  order.sort((a, b) => groupOf[a] - groupOf[b] || a - b);
  const pairs: OpenPairs = {
    columnAt: new Int32Array(rows * columns),
    priceAt: new Float64Array(rows * columns),
    from: new Int32Array(rows * groups),
    until: new Int32Array(rows * groups),
  };
  let count = 0;
  for (let row = 0; row < rows; row++) {
    let at = 0;
    for (let group = 0; group < groups; group++) {
      pairs.from[row * groups + group] = count;
      for (; at < columns && groupOf[order[at]] === group; at++) {
        const column = order[at];
        const one = price[row * columns + column];
        if (!Number.isFinite(one)) continue;
        pairs.columnAt[count] = column;
        pairs.priceAt[count] = one;
        count += 1;
      }
      pairs.until[row * groups + group] = count;
    }
  }
  return pairs;
}

/** Close the pairs that are not to be kept, in place. */
export function keepPairs(pairs: OpenPairs, keeps: (segment: number, slot: number) => boolean): void {
  const { columnAt, priceAt, from, until } = pairs;
  let count = 0;
  for (let segment = 0; segment < from.length; segment++) {
    const [first, end] = [from[segment], until[segment]];
    from[segment] = count;
    for (let slot = first; slot < end; slot++) {
      if (!keeps(segment, slot)) continue;
      columnAt[count] = columnAt[slot];
      priceAt[count] = priceAt[slot];
      count += 1;
    }
    until[segment] = count;
  }
}
