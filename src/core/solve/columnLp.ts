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
/** Members that gain less a unit are left alone. */
const ENOUGH = 1e-7;
/** Room for so many columns at first; it doubles when they are more. */
const ROOM = 64;

/**
 * Revised simplex with the inverse of a small basis kept whole (Dantzig and Orchard-Hays 1954). Rows that cannot be
 * kept yet are overstepped at `penalty` a unit, so that there is always a solution. Which member comes in is told by its
 * gain over how far it led before (Devex: Harris 1973).
 * @param limits right sides of the rows
 */
export function columnLp(limits: Float64Array, penalty: number): ColumnLp {
  const rows = limits.length;
  const size = rows + 1;
  let count = 0;
  let costs: Float64Array = new Float64Array(ROOM);
  // Column after column, each with the 1 of its convex weight first.
  let flat: Float64Array = new Float64Array(ROOM * size);
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
  // How far a member has led so far, by which its gain is measured: of columns, of slacks and of oversteps.
  let reach: Float64Array = new Float64Array(ROOM).fill(1);
  const reachOfRow = new Float64Array(2 * rows).fill(1);
  // Gains of a unit of each member, kept through the changes of the basis.
  let gains: Float64Array = new Float64Array(ROOM);
  const gainsOfRow = new Float64Array(2 * rows);
  const direction = new Float64Array(size);

  const priceAnew = () => {
    prices.fill(0);
    for (let at = 0; at < size; at++) {
      const cost = costOf(basis[at] as number);
      if (cost === 0) continue;
      for (let row = 0; row < size; row++)
        prices[row] = (prices[row] as number) + cost * (inverse[at * size + row] as number);
    }
  };
  const reduced = (column: number): number => {
    const at = column * size;
    let cost = costs[column] as number;
    for (let row = 0; row < size; row++) cost -= (prices[row] as number) * (flat[at + row] as number);
    return cost;
  };
  const reachOf = (member: number) => (member >= 0 ? reach[member] : reachOfRow[-2 - member]) as number;
  /** Gains and reaches of all members when one comes in by a row of the inverse. */
  const turn = (from: number, pivot: number, gain: number, of: number) => {
    const share = gain / pivot;
    const squared = of / (pivot * pivot);
    for (let column = 0; column < count; column++) {
      const at = column * size;
      let along = 0;
      for (let row = 0; row < size; row++) along += (inverse[from + row] as number) * (flat[at + row] as number);
      if (along === 0) continue;
      gains[column] = (gains[column] as number) - share * along;
      const far = along * along * squared;
      if (far > (reach[column] as number)) reach[column] = far;
    }
    for (let row = 0; row < rows; row++) {
      const along = inverse[from + row + 1] as number;
      if (along === 0) continue;
      gainsOfRow[row] = (gainsOfRow[row] as number) - share * along;
      gainsOfRow[rows + row] = (gainsOfRow[rows + row] as number) + share * along;
      const far = along * along * squared;
      if (far > (reachOfRow[row] as number)) reachOfRow[row] = far;
      if (far > (reachOfRow[rows + row] as number)) reachOfRow[rows + row] = far;
    }
  };
  /** @param gain how much a unit of the member changes the value, below 0 */
  const enter = (member: number, gain: number): boolean => {
    if (member >= 0) {
      const column = member * size;
      for (let at = 0; at < size; at++) {
        let sum = 0;
        for (let row = 0; row < size; row++)
          sum += (inverse[at * size + row] as number) * (flat[column + row] as number);
        direction[at] = sum;
      }
    } else {
      const over = member <= -2 - rows;
      const row = over ? -1 - rows - member : -1 - member;
      for (let at = 0; at < size; at++) direction[at] = (over ? -1 : 1) * (inverse[at * size + row] as number);
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
    const from = leaves * size;
    turn(from, pivot, gain, reachOf(member));
    for (let row = 0; row < size; row++) inverse[from + row] = (inverse[from + row] as number) / pivot;
    const step = (values[leaves] as number) / pivot;
    values[leaves] = step;
    for (let at = 0; at < size; at++) {
      const factor = direction[at] as number;
      if (at === leaves || factor === 0) continue;
      const to = at * size;
      for (let row = 0; row < size; row++)
        inverse[to + row] = (inverse[to + row] as number) - factor * (inverse[from + row] as number);
      values[at] = Math.max(0, (values[at] as number) - factor * step);
    }
    const left = basis[leaves] as number;
    const leftReach = Math.max(1, reachOf(member) / (pivot * pivot));
    if (left >= 0) reach[left] = leftReach;
    else if (left < -1) reachOfRow[-2 - left] = leftReach;
    basis[leaves] = member;
    return true;
  };

  return {
    reduced,
    add: (cost, entries) => {
      if (count === costs.length) {
        costs = grown(costs);
        flat = grown(flat);
        reach = grown(reach);
        gains = grown(gains);
      }
      costs[count] = cost;
      reach[count] = 1;
      flat[count * size] = 1;
      flat.set(entries, count * size + 1);
      count += 1;
    },
    solve: () => {
      priceAnew();
      for (let column = 0; column < count; column++) gains[column] = reduced(column);
      for (let row = 0; row < rows; row++) {
        gainsOfRow[row] = -(prices[row + 1] as number);
        gainsOfRow[rows + row] = penalty + (prices[row + 1] as number);
      }
      for (let round = 0; round < 2000; round++) {
        let best = 0;
        let member: number | null = null;
        for (let column = 0; column < count; column++) {
          const gain = gains[column] as number;
          if (gain < -ENOUGH && gain * gain > best * (reach[column] as number)) {
            best = (gain * gain) / (reach[column] as number);
            member = column;
          }
        }
        for (let at = 0; at < 2 * rows; at++) {
          const gain = gainsOfRow[at] as number;
          if (gain < -ENOUGH && gain * gain > best * (reachOfRow[at] as number)) {
            best = (gain * gain) / (reachOfRow[at] as number);
            member = -2 - at;
          }
        }
        if (member === null) break;
        if (!enter(member, (member >= 0 ? gains[member] : gainsOfRow[-2 - member]) as number)) break;
      }
      priceAnew();
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
      const all = new Float64Array(count);
      for (let at = 0; at < size; at++) {
        const member = basis[at] as number;
        if (member >= 0) all[member] = values[at] as number;
      }
      return all;
    },
  };
}

function grown(values: Float64Array): Float64Array {
  const more = new Float64Array(values.length * 2);
  more.set(values);
  return more;
}
