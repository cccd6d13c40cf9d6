import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { assign } from './assignment';

const INFINITE = Number.POSITIVE_INFINITY;

/** Cheapest choice by trying all of them. */
function byForce(rows: number, columns: number, cost: Float64Array, leftOut: Float64Array, row = 0, used = 0): number {
  if (row === rows) return 0;
  let best = (leftOut[row] ?? 0) + byForce(rows, columns, cost, leftOut, row + 1, used);
  for (let column = 0; column < columns; column++) {
    const price = cost[row * columns + column] ?? INFINITE;
    if ((used >> column) & 1 || price === INFINITE) continue;
    best = Math.min(best, price + byForce(rows, columns, cost, leftOut, row + 1, used | (1 << column)));
  }
  return best;
}

function costOf(columns: number, cost: Float64Array, leftOut: Float64Array, columnOf: Int32Array): number {
  return columnOf.reduce(
    (sum, column, row) => sum + (column < 0 ? (leftOut[row] ?? 0) : (cost[row * columns + column] ?? INFINITE)),
    0,
  );
}

describe('assignment', () => {
  it('is as cheap as the best of all choices', () => {
    const price = fc.oneof(
      { weight: 4, arbitrary: fc.integer({ min: -20, max: 100 }) },
      { weight: 1, arbitrary: fc.constant(INFINITE) },
    );
    const instance = fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 6 })).chain(([rows, columns]) =>
      fc.record({
        rows: fc.constant(rows),
        columns: fc.constant(columns),
        cost: fc.array(price, { minLength: rows * columns, maxLength: rows * columns }),
        leftOut: fc.array(fc.integer({ min: 0, max: 80 }), { minLength: rows, maxLength: rows }),
      }),
    );
    fc.assert(
      fc.property(instance, ({ rows, columns, ...given }) => {
        const [cost, leftOut] = [Float64Array.from(given.cost), Float64Array.from(given.leftOut)];
        const result = assign(rows, columns, cost, leftOut);
        expect(result.cost).toBe(byForce(rows, columns, cost, leftOut));
        expect(costOf(columns, cost, leftOut, result.columnOf)).toBe(result.cost);
        const used = [...result.columnOf].filter((column) => column >= 0);
        expect(new Set(used).size).toBe(used.length);
      }),
      { numRuns: 300 },
    );
  });

  it.each([
    [20, 24],
    [40, 48],
  ])('agrees with a general MILP solver on %i rows and %i columns', async (rows, columns) => {
    let state = rows * 7919;
    const random = () => {
      state = (state * 1664525 + 1013904223) >>> 0;
      return state / 2 ** 32;
    };
    const cost = Float64Array.from({ length: rows * columns }, () =>
      random() < 0.3 ? INFINITE : Math.floor(random() * 1000),
    );
    const leftOut = Float64Array.from({ length: rows }, () => 400 + Math.floor(random() * 400));
    const x = (row: number, column: number) => `x_${row}_${column}`;
    const pairs = Array.from({ length: rows }, (_, row) =>
      Array.from({ length: columns }, (__, column) => ({
        row,
        column,
        price: cost[row * columns + column] ?? INFINITE,
      })).filter((pair) => pair.price < INFINITE),
    );
    const objective = pairs.map((line, row) =>
      [...line.map(({ column, price }) => `${price} ${x(row, column)}`), `${leftOut[row]} u_${row}`].join(' + '),
    );
    const once = pairs.map(
      (line, row) => `r${row}: ${[...line.map(({ column }) => x(row, column)), `u_${row}`].join(' + ')} = 1`,
    );
    const seats = Array.from({ length: columns }, (_, column) =>
      pairs.flat().filter((pair) => pair.column === column),
    ).flatMap((line, column) =>
      line.length > 0 ? [`c${column}: ${line.map((pair) => x(pair.row, column)).join(' + ')} <= 1`] : [],
    );
    const names = [...pairs.flat().map((pair) => x(pair.row, pair.column)), ...pairs.map((_, row) => `u_${row}`)];
    const model = `Minimize\n obj: ${objective.join('\n + ')}\nSubject To\n ${[...once, ...seats].join('\n ')}\nBinary\n ${names.join('\n ')}\nEnd`;
    const highs = await loadHighs();
    const reference = highs.solve(model, { mip_rel_gap: 0 });
    expect(reference.Status).toBe('Optimal');
    expect(assign(rows, columns, cost, leftOut).cost).toBeCloseTo(reference.ObjectiveValue, 4);
  });
});
