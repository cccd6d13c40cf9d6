export type Assignment = {
  /** For each row the column it got, or -1 when every column open to it costs more than leaving it out. */
  columnOf: Int32Array;
  cost: number;
};

/**
 * Cheapest one-to-one assignment of rows to columns where each row may also be left out at a price (shortest
 * augmenting paths with potentials; Jonker and Volgenant 1987). Exact. Time O(rows² · (rows + columns)).
 * @param cost row-major rows × columns; Infinity where a pair is impossible
 * @param leftOut price of leaving each row out, finite
 * @returns an optimum; deterministic
 */
export function assign(rows: number, columns: number, cost: Float64Array, leftOut: Float64Array): Assignment {
  // Column `columns + row` is the private way out of that row.
  const width = columns + rows;
  const rowOf = new Int32Array(width).fill(-1);
  const rowPrice = new Float64Array(rows);
  const columnPrice = new Float64Array(width);
  const price = (row: number, column: number): number => {
    if (column < columns) return cost[row * columns + column] as number;
    return column - columns === row ? (leftOut[row] as number) : Number.POSITIVE_INFINITY;
  };

  const distance = new Float64Array(width);
  const before = new Int32Array(width);
  const done = new Uint8Array(width);
  for (let start = 0; start < rows; start++) {
    distance.fill(Number.POSITIVE_INFINITY);
    before.fill(-1);
    done.fill(0);
    let row = start;
    let from = -1;
    let reached = 0;
    let end = -1;
    while (end < 0) {
      let nearest = -1;
      let least = Number.POSITIVE_INFINITY;
      for (let column = 0; column < width; column++) {
        if (done[column]) continue;
        const step = price(row, column);
        if (step !== Number.POSITIVE_INFINITY) {
          const through = reached + step - (rowPrice[row] as number) - (columnPrice[column] as number);
          if (through < (distance[column] as number)) {
            distance[column] = through;
            before[column] = from;
          }
        }
        if ((distance[column] as number) < least) {
          least = distance[column] as number;
          nearest = column;
        }
      }
      // The private way out is always within reach, so a nearest column is always found.
      done[nearest] = 1;
      reached = least;
      from = nearest;
      if (rowOf[nearest] === -1) end = nearest;
      else row = rowOf[nearest] as number;
    }
    rowPrice[start] = (rowPrice[start] as number) + reached;
    for (let column = 0; column < width; column++) {
      if (!done[column] || column === end) continue;
      const slack = reached - (distance[column] as number);
      columnPrice[column] = (columnPrice[column] as number) - slack;
      const owner = rowOf[column] as number;
      rowPrice[owner] = (rowPrice[owner] as number) + slack;
    }
    for (let column = end; column >= 0; ) {
      const previous = before[column] as number;
      rowOf[column] = previous < 0 ? start : (rowOf[previous] as number);
      column = previous;
    }
  }

  const columnOf = new Int32Array(rows).fill(-1);
  let total = 0;
  for (let column = 0; column < width; column++) {
    const row = rowOf[column] as number;
    if (row < 0) continue;
    total += price(row, column);
    if (column < columns) columnOf[row] = column;
  }
  return { columnOf, cost: total };
}
