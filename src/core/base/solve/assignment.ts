export type Assignment = {
  /** For each row the column it got, or -1 when every column open to it costs more than leaving it out. */
  columnOf: Int32Array;
  cost: number;
};

/** Paths whose lengths differ by less are as long as each other. */
const TIE = 1e-9;

/**
 * Cheapest one-to-one assignment of rows to columns where each row may also be left out at a price (shortest
 * augmenting paths with potentials; Jonker and Volgenant 1987). Exact. Time O(rows² · columns).
 * @param cost row-major rows × columns; Infinity where a pair is impossible
 * @param leftOut price of leaving each row out, finite
 * @returns an optimum; deterministic
 */
export function assign(rows: number, columns: number, cost: Float64Array, leftOut: Float64Array): Assignment {
  const rowOf = new Int32Array(columns).fill(-1);
  const columnOf = new Int32Array(rows).fill(-1);
  const rowPrice = new Float64Array(rows);
  const columnPrice = new Float64Array(columns);
  const distance = new Float64Array(columns);
  const before = new Int32Array(columns);
  const open = new Int32Array(columns);
  const reachedAt = new Float64Array(rows);
  const waiting = bidFirst(rows, columns, cost, leftOut, { rowOf, columnOf, rowPrice, columnPrice });
  for (const start of waiting) {
    for (let column = 0; column < columns; column++) {
      distance[column] = Number.POSITIVE_INFINITY;
      open[column] = column;
    }
    let openCount = columns;
    let row = start;
    let reached = 0;
    // The cheapest end of a path so far: a row of the tree that is left out instead.
    let outAt = Number.POSITIVE_INFINITY;
    let outRow = -1;
    let end = -1;
    const tree: number[] = [];
    for (;;) {
      tree.push(row);
      reachedAt[row] = reached;
      const shift = reached - rowPrice[row];
      const out = shift + leftOut[row];
      if (out < outAt) {
        outAt = out;
        outRow = row;
      }
      let nearest = -1;
      let least = outAt;
      // Of columns as near as each other a free one ends the path at once.
      let free = false;
      const at = row * columns;
      for (let slot = 0; slot < openCount; slot++) {
        const column = open[slot];
        const through = shift + cost[at + column] - columnPrice[column];
        if (through < distance[column]) {
          distance[column] = through;
          before[column] = row;
        }
        const far = distance[column];
        if (far < least - (free ? TIE : 0) || (!free && far <= least + TIE && rowOf[column] === -1 && far < outAt)) {
          least = far;
          nearest = slot;
          free = rowOf[column] === -1;
        }
      }
      reached = least;
      if (nearest < 0) break;
      const column = open[nearest];
      openCount -= 1;
      open[nearest] = open[openCount];
      open[openCount] = column;
      if (rowOf[column] === -1) {
        end = column;
        break;
      }
      row = rowOf[column];
    }
    for (const one of tree) rowPrice[one] = rowPrice[one] + reached - reachedAt[one];
    for (let slot = openCount; slot < columns; slot++) {
      const column = open[slot];
      if (column !== end) columnPrice[column] = columnPrice[column] - (reached - distance[column]);
    }
    // Along the path each row takes the column by which the next one was reached.
    let taker = end < 0 ? outRow : before[end];
    let column = end;
    for (;;) {
      const given = columnOf[taker];
      columnOf[taker] = column;
      if (column >= 0) rowOf[column] = taker;
      if (taker === start) break;
      column = given;
      taker = before[column];
    }
  }

  let total = 0;
  for (let row = 0; row < rows; row++) {
    const column = columnOf[row];
    total += column < 0 ? leftOut[row] : cost[row * columns + column];
  }
  return { columnOf, cost: total };
}

type Prices = { rowOf: Int32Array; columnOf: Int32Array; rowPrice: Float64Array; columnPrice: Float64Array };

/** So many bids a row are worth their while before the paths. */
const BIDS = 4;

/**
 * Let rows bid for their cheapest columns, one pushing the other out, by as much as the second cheapest costs more
 * (augmenting row reduction). It leaves few rows for the paths, and prices under which all the others have their best.
 * @returns rows that have no column yet and are not left out
 */
function bidFirst(
  rows: number,
  columns: number,
  cost: Float64Array,
  leftOut: Float64Array,
  { rowOf, columnOf, rowPrice, columnPrice }: Prices,
): number[] {
  const waiting = Array.from({ length: rows }, (_, row) => rows - 1 - row);
  let bids = rows * BIDS;
  const later: number[] = [];
  for (let turn = 0; turn < 2; turn++) {
    for (let row = waiting.pop(); row !== undefined; row = waiting.pop()) {
      if (bids-- <= 0) {
        waiting.push(row);
        break;
      }
      const at = row * columns;
      const out = leftOut[row];
      let best = out;
      let column = -1;
      let second = Number.POSITIVE_INFINITY;
      let other = -1;
      for (let one = 0; one < columns; one++) {
        const price = cost[at + one] - columnPrice[one];
        if (price >= second) continue;
        if (price < best) {
          second = best;
          other = column;
          best = price;
          column = one;
        } else {
          second = price;
          other = one;
        }
      }
      if (column < 0) {
        rowPrice[row] = out;
        continue;
      }
      const strict = best < second - TIE;
      if (!strict && rowOf[column] !== -1) {
        // As cheap elsewhere: nobody need be pushed out, or at least no price changes.
        if (other < 0) {
          rowPrice[row] = out;
          continue;
        }
        column = other;
      }
      const pushed = rowOf[column];
      if (strict) columnPrice[column] = columnPrice[column] - (second - best);
      rowOf[column] = row;
      columnOf[row] = column;
      rowPrice[row] = cost[at + column] - columnPrice[column];
      if (pushed < 0) continue;
      columnOf[pushed] = -1;
      if (strict) waiting.push(pushed);
      else later.push(pushed);
    }
    waiting.push(...later.splice(0));
    if (bids <= 0) break;
  }
  return waiting.reverse();
}
