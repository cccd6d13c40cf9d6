/** A linear program whose columns come one by one: minimise cost, one convex weight over the columns, rows at most `limit`. */
export type ColumnLp = {
  /** Adds a column by its cost and its entries in the rows. */
  add: (cost: number, entries: Float64Array) => void;
  /** Solve over the columns there are. `prices` are of the rows, at most 0; `base` is of the convex weights. */
  solve: () => { value: number; base: number; prices: Float64Array };
};

const TINY = 1e-9;
/** Members that gain less a unit are left alone. */
const ENOUGH = 1e-7;
const ROUNDS = 2000;

/** What may be in the basis: its cost, and its column with that of the convex weights first. */
type Member = { cost: number; entries: Float64Array };

/**
 * Revised simplex with the inverse of a small basis kept whole (Dantzig and Orchard-Hays 1954). Rows that cannot be
 * kept yet are overstepped at `penalty` a unit, so that there is always a solution.
 * @param limits right sides of the rows
 */
export function columnLp(limits: Float64Array, penalty: number): ColumnLp {
  const size = limits.length + 1;
  const unit = (at: number, sign: number) => {
    const entries = new Float64Array(size);
    entries[at] = sign;
    return entries;
  };
  const slacks = Array.from(limits, (_, row): Member => ({ cost: 0, entries: unit(row + 1, 1) }));
  const oversteps = Array.from(limits, (_, row): Member => ({ cost: penalty, entries: unit(row + 1, -1) }));
  const members: Member[] = [...slacks, ...oversteps];
  // The convex weight that is missing as long as there is no column.
  const basis: Member[] = [{ cost: penalty * 1e3, entries: unit(0, 1) }];
  const inverse = new Float64Array(size * size);
  const values = Float64Array.of(1, ...limits.map(Math.abs));
  inverse[0] = 1;
  limits.forEach((limit, row) => {
    basis.push((limit >= 0 ? slacks : oversteps)[row]);
    inverse[(row + 1) * size + row + 1] = limit >= 0 ? 1 : -1;
  });
  const prices = new Float64Array(size);
  const direction = new Float64Array(size);

  const priceAnew = () => {
    prices.fill(0);
    basis.forEach(({ cost }, at) => {
      for (let row = 0; row < size && cost !== 0; row++) prices[row] = prices[row] + cost * inverse[at * size + row];
    });
  };
  const gainOf = ({ cost, entries }: Member): number => {
    let gain = cost;
    for (let row = 0; row < size; row++) gain -= prices[row] * entries[row];
    return gain;
  };
  const enter = (member: Member): boolean => {
    let leaves = -1;
    let least = Number.POSITIVE_INFINITY;
    for (let at = 0; at < size; at++) {
      let sum = 0;
      for (let row = 0; row < size; row++) sum += inverse[at * size + row] * member.entries[row];
      direction[at] = sum;
      if (sum <= TINY || values[at] / sum >= least) continue;
      least = values[at] / sum;
      leaves = at;
    }
    if (leaves < 0) return false;
    const pivot = direction[leaves];
    const from = leaves * size;
    for (let row = 0; row < size; row++) inverse[from + row] = inverse[from + row] / pivot;
    for (let at = 0; at < size; at++) {
      const factor = direction[at];
      if (at === leaves || factor === 0) continue;
      for (let row = 0; row < size; row++)
        inverse[at * size + row] = inverse[at * size + row] - factor * inverse[from + row];
      values[at] = Math.max(0, values[at] - factor * least);
    }
    values[leaves] = least;
    basis[leaves] = member;
    return true;
  };

  return {
    add: (cost, entries) => {
      members.push({ cost, entries: Float64Array.of(1, ...entries) });
    },
    solve: () => {
      for (let round = 0; round < ROUNDS; round++) {
        priceAnew();
        let best: Member | null = null;
        let most = -ENOUGH;
        for (const member of members) {
          const gain = gainOf(member);
          if (gain >= most) continue;
          most = gain;
          best = member;
        }
        if (!best || !enter(best)) break;
      }
      priceAnew();
      const value = basis.reduce((sum, { cost }, at) => sum + cost * values[at], 0);
      return { value, base: prices[0], prices: prices.slice(1) };
    },
  };
}
