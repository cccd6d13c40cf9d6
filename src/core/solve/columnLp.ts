/** A linear program whose columns come one by one: minimise cost, one convex weight over the columns, rows at most `limit`. */
export type ColumnLp = {
  /** Adds a column by its cost and its entries in the rows. */
  add: (cost: number, entries: Float64Array) => void;
  /** Solve over the columns there are. `prices` are of the rows, at most 0; `base` is of the convex weights. */
  solve: () => { value: number; base: number; prices: Float64Array; lacking: number };
  /** Weights of the columns, in the order in which they were added. */
  weights: () => Float64Array;
  /** By how much a column costs more than the prices of the last solution allow it to. */
  reduced: (column: number) => number;
};

const TINY = 1e-9;

/**
 * Revised simplex with the inverse of a small basis kept whole (Dantzig and Orchard-Hays 1954). Rows that cannot be
 * kept yet are overstepped at `penalty` a unit, so that there is always a solution.
 * @param limits right sides of the rows
 */
export function columnLp(limits: Float64Array, penalty: number): ColumnLp {
  const rows = limits.length;
  const size = rows + 1;
  const costs: number[] = [];
  const columns: Float64Array[] = [];
  // Basis members: -1 the missing convex weight, -2-row a slack, -2-rows-row an overstep, else a column.
  const slack = (row: number) => -2 - row;
  const overstep = (row: number) => -2 - rows - row;
  const basis = new Int32Array(size);
  const inverse = new Float64Array(size * size);
  const values = new Float64Array(size);
  basis[0] = -1;
  inverse[0] = 1;
  values[0] = 1;
  for (let row = 0; row < rows; row++) {
    const limit = limits[row] as number;
    basis[row + 1] = limit >= 0 ? slack(row) : overstep(row);
    inverse[(row + 1) * size + row + 1] = limit >= 0 ? 1 : -1;
    values[row + 1] = Math.abs(limit);
  }
  const missing = penalty * 1e3;
  const costOf = (member: number) =>
    member >= 0 ? (costs[member] as number) : member === -1 ? missing : member <= -2 - rows ? penalty : 0;
  const prices = new Float64Array(size);
  const direction = new Float64Array(size);

  const price = () => {
    prices.fill(0);
    for (let at = 0; at < size; at++) {
      const cost = costOf(basis[at] as number);
      if (cost === 0) continue;
      for (let row = 0; row < size; row++)
        prices[row] = (prices[row] as number) + cost * (inverse[at * size + row] as number);
    }
  };
  const reduced = (member: number): number => {
    if (member <= -2 - rows) return penalty + (prices[-1 - rows - member] as number);
    if (member <= -2) return -(prices[-1 - member] as number);
    const column = columns[member] as Float64Array;
    let cost = (costs[member] as number) - (prices[0] as number);
    for (let row = 0; row < rows; row++) cost -= (prices[row + 1] as number) * (column[row] as number);
    return cost;
  };
  const enter = (member: number): boolean => {
    for (let at = 0; at < size; at++) {
      let sum = 0;
      if (member >= 0) {
        const column = columns[member] as Float64Array;
        sum = inverse[at * size] as number;
        for (let row = 0; row < rows; row++) sum += (inverse[at * size + row + 1] as number) * (column[row] as number);
      } else {
        const over = member <= -2 - rows;
        const row = over ? -1 - rows - member : -1 - member;
        sum = (over ? -1 : 1) * (inverse[at * size + row] as number);
      }
      direction[at] = sum;
    }
    let leaves = -1;
    let least = Number.POSITIVE_INFINITY;
    for (let at = 0; at < size; at++) {
      if ((direction[at] as number) <= TINY) continue;
      const ratio = (values[at] as number) / (direction[at] as number);
      if (
        ratio < least - TINY ||
        (ratio < least + TINY && leaves >= 0 && (basis[at] as number) < (basis[leaves] as number))
      ) {
        least = ratio;
        leaves = at;
      }
    }
    if (leaves < 0) return false;
    const pivot = direction[leaves] as number;
    for (let row = 0; row < size; row++)
      inverse[leaves * size + row] = (inverse[leaves * size + row] as number) / pivot;
    values[leaves] = (values[leaves] as number) / pivot;
    for (let at = 0; at < size; at++) {
      const factor = direction[at] as number;
      if (at === leaves || factor === 0) continue;
      for (let row = 0; row < size; row++)
        inverse[at * size + row] =
          (inverse[at * size + row] as number) - factor * (inverse[leaves * size + row] as number);
      values[at] = Math.max(0, (values[at] as number) - factor * (values[leaves] as number));
    }
    basis[leaves] = member;
    return true;
  };

  return {
    reduced,
    add: (cost, entries) => {
      costs.push(cost);
      columns.push(entries);
    },
    solve: () => {
      for (let round = 0; round < 2000; round++) {
        price();
        let best = -1e-7;
        let member: number | null = null;
        const consider = (one: number) => {
          const cost = reduced(one);
          if (cost < best) {
            best = cost;
            member = one;
          }
        };
        for (let column = 0; column < columns.length; column++) consider(column);
        for (let row = 0; row < rows; row++) {
          consider(slack(row));
          consider(overstep(row));
        }
        if (member === null || !enter(member)) break;
      }
      price();
      let value = 0;
      let lacking = 0;
      for (let at = 0; at < size; at++) {
        const member = basis[at] as number;
        value += costOf(member) * (values[at] as number);
        if (member === -1 || member <= -2 - rows) lacking += values[at] as number;
      }
      return { value, base: prices[0] as number, prices: prices.slice(1), lacking };
    },
    weights: () => {
      const all = new Float64Array(columns.length);
      for (let at = 0; at < size; at++) {
        const member = basis[at] as number;
        if (member >= 0) all[member] = values[at] as number;
      }
      return all;
    },
  };
}
