export type Assignment = {
  /** For each row the column it got, or -1 when every column open to it costs more than leaving it out. */
  columnOf: Int32Array;
  cost: number;
};

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
  for (let start = 0; start < rows; start++) {
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
      const shift = reached - (rowPrice[row] as number);
      const out = shift + (leftOut[row] as number);
      if (out < outAt) {
        outAt = out;
        outRow = row;
      }
      let nearest = -1;
      let least = outAt;
      const at = row * columns;
      for (let slot = 0; slot < openCount; slot++) {
        const column = open[slot] as number;
        const through = shift + (cost[at + column] as number) - (columnPrice[column] as number);
        if (through < (distance[column] as number)) {
          distance[column] = through;
          before[column] = row;
        }
        if ((distance[column] as number) < least) {
          least = distance[column] as number;
          nearest = slot;
        }
      }
      reached = least;
      if (nearest < 0) break;
      const column = open[nearest] as number;
      openCount -= 1;
      open[nearest] = open[openCount] as number;
      open[openCount] = column;
      if (rowOf[column] === -1) {
        end = column;
        break;
      }
      row = rowOf[column] as number;
    }
    for (const one of tree) rowPrice[one] = (rowPrice[one] as number) + reached - (reachedAt[one] as number);
    for (let slot = openCount; slot < columns; slot++) {
      const column = open[slot] as number;
      if (column !== end)
        columnPrice[column] = (columnPrice[column] as number) - (reached - (distance[column] as number));
    }
    // Along the path each row takes the column by which the next one was reached.
    let taker = end < 0 ? outRow : (before[end] as number);
    let column = end;
    for (;;) {
      const given = columnOf[taker] as number;
      columnOf[taker] = column;
      if (column >= 0) rowOf[column] = taker;
      if (taker === start) break;
      column = given;
      taker = before[column] as number;
    }
  }

  let total = 0;
  for (let row = 0; row < rows; row++) {
    const column = columnOf[row] as number;
    total += column < 0 ? (leftOut[row] as number) : (cost[row * columns + column] as number);
  }
  return { columnOf, cost: total };
}
