import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { columnLp } from './columnLp';
import { seededRandom } from './random';

/** Columns with whole costs and entries, and limits that some mix of them keeps. */
function someColumns(seed: number) {
  const random = seededRandom(seed);
  const [rows, count] = [1 + Math.floor(random() * 6), 3 + Math.floor(random() * 120)];
  const whole = (most: number) => Math.floor(random() * (2 * most + 1)) - most;
  const columns = Array.from({ length: count }, () => ({
    cost: whole(100),
    entries: Float64Array.from({ length: rows }, () => whole(9)),
  }));
  const shares = columns.map((_, at) => (at === 0 || random() < 0.3 ? random() : 0));
  const all = shares.reduce((sum, share) => sum + share, 0);
  const limits = Float64Array.from({ length: rows }, (_, row) =>
    columns.reduce((sum, { entries }, at) => sum + ((shares[at] as number) / all) * (entries[row] as number), 0.5),
  );
  return { columns, limits };
}
type Some = ReturnType<typeof someColumns>;

function lpFile({ columns, limits }: Some): string {
  const term = (factor: number, at: number) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} w${at}`;
  const rows = [...limits].map(
    (limit, row) =>
      `r${row}: ${columns.map(({ entries }, at) => term(entries[row] as number, at)).join(' ')} <= ${limit}`,
  );
  return [
    `Minimize\n obj: ${columns.map(({ cost }, at) => term(cost, at)).join(' ')}`,
    `Subject To\n all: ${columns.map((_, at) => term(1, at)).join(' ')} = 1`,
    ...rows,
    'End',
  ].join('\n');
}

describe('a linear program over columns', () => {
  it('comes to the value of a general solver, also when its columns come one by one', async () => {
    const highs = await loadHighs();
    for (let seed = 1; seed <= 60; seed++) {
      const some = someColumns(seed);
      const { Status, ObjectiveValue } = highs.solve(lpFile(some));
      expect(Status).toBe('Optimal');
      const lp = columnLp(some.limits, 1e5);
      for (const { cost, entries } of some.columns) {
        lp.add(cost, entries);
        if (seed % 2 === 0) lp.solve();
      }
      const { value, base, prices } = lp.solve();
      expect(value).toBeCloseTo(ObjectiveValue, 4);
      // The prices speak against no column, and come to the same value.
      expect(prices.reduce((sum, price, row) => sum + price * (some.limits[row] as number), base)).toBeCloseTo(
        value,
        4,
      );
      for (const price of prices) expect(price).toBeLessThanOrEqual(1e-6);
      for (const { cost, entries } of some.columns) {
        const against = cost - base - entries.reduce((sum, entry, row) => sum + entry * (prices[row] as number), 0);
        expect(against).toBeGreaterThanOrEqual(-1e-6);
      }
    }
  });

  it('pays the penalty for limits that nothing keeps', () => {
    const lp = columnLp(Float64Array.of(-3), 1000);
    lp.add(5, Float64Array.of(-1));
    expect(lp.solve().value).toBeCloseTo(2005, 6);
  });
});
