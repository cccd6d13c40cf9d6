import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { cablesInstance, cablesLp } from '../../../tests/support/cables';
import { cutStock } from '../../core/base/solve/cutting/cutStock';
import { type CuttingProblem, cuttingCost } from '../../core/base/solve/cutting/problem';
import { type CablesInstance, solveCables } from './cables';

/** A clock that counts looks at it, so that tests end alike on any machine. */
const looks = (most: number) => {
  let count = 0;
  return { now: () => count++, untilMs: most };
};

/** Cheapest cutting by trying every stock for every piece. */
function byForce(problem: CuttingProblem, mostFresh: number): number {
  const { pieces, parts, fresh } = problem;
  const room = [...parts, ...new Array<number>(mostFresh).fill(fresh)];
  const taken = room.map(() => new Set<number>());
  const stockOf: number[] = [];
  let best = Number.POSITIVE_INFINITY;
  const place = (at: number) => {
    const piece = pieces[at];
    if (!piece) {
      const { opened, scrap } = cuttingCost(problem, stockOf);
      best = Math.min(best, opened * 1_000_000 + scrap);
      return;
    }
    for (const [stock, left] of room.entries()) {
      if (left < piece.length || taken[stock]?.has(piece.group)) continue;
      room[stock] = left - piece.length;
      taken[stock]?.add(piece.group);
      stockOf[at] = stock;
      place(at + 1);
      room[stock] = left;
      taken[stock]?.delete(piece.group);
    }
  };
  place(0);
  return best;
}

function expectSound(problem: CuttingProblem, stockOf: readonly number[]): void {
  const fills = new Map<number, number>();
  const groups = new Set<string>();
  problem.pieces.forEach(({ group, length }, at) => {
    const stock = stockOf[at] ?? -1;
    expect(stock).toBeGreaterThanOrEqual(0);
    fills.set(stock, (fills.get(stock) ?? 0) + length);
    expect(groups.has(`${group}:${stock}`)).toBe(false);
    groups.add(`${group}:${stock}`);
  });
  for (const [stock, fill] of fills) expect(fill).toBeLessThanOrEqual(problem.parts[stock] ?? problem.fresh);
}

const small = fc.record({
  pieces: fc.array(fc.record({ group: fc.integer({ min: 0, max: 3 }), length: fc.integer({ min: 1, max: 30 }) }), {
    minLength: 1,
    maxLength: 5,
  }),
  parts: fc.array(fc.integer({ min: 1, max: 40 }), { maxLength: 2 }),
  fresh: fc.integer({ min: 30, max: 60 }),
  reusable: fc.integer({ min: 0, max: 20 }),
});

describe('cutting boxes', () => {
  it('is as good as the best of all choices, and says so', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const result = cutStock(problem, looks(2000));
        expect(result.stockOf).not.toBeNull();
        if (!result.stockOf) return;
        expectSound(problem, result.stockOf);
        const { opened, scrap } = cuttingCost(problem, result.stockOf);
        expect({ opened, scrap }).toEqual({ opened: result.opened, scrap: result.scrap });
        expect(opened * 1_000_000 + scrap).toBe(byForce(problem, 5));
        expect(result.proven).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it('never takes more boxes when a run gets shorter', () => {
    fc.assert(
      fc.property(small, fc.nat(4), fc.integer({ min: 0, max: 29 }), (problem, which, less) => {
        const before = cutStock(problem, looks(2000));
        const pieces = problem.pieces.map((piece, at) =>
          at === which % problem.pieces.length ? { ...piece, length: Math.max(1, piece.length - less) } : piece,
        );
        expect(cutStock({ ...problem, pieces }, looks(2000)).opened).toBeLessThanOrEqual(before.opened);
      }),
      { numRuns: 150 },
    );
  });

  it('says when a piece is longer than any box, and needs no box for nothing', () => {
    const problem = { pieces: [{ group: 0, length: 70 }], parts: [10], fresh: 60, reusable: 5 };
    expect(cutStock(problem, looks(100))).toMatchObject({ stockOf: null, proven: true });
    expect(cutStock({ ...problem, pieces: [] }, looks(100))).toMatchObject({ stockOf: [], opened: 0, proven: true });
  });

  it('proves nothing by the part boxes that it could not list', () => {
    const pieces = Array.from({ length: 20 }, (_, at) => ({ group: at, length: 20 }));
    const problem = { pieces, parts: new Array(15).fill(31), fresh: 60, reusable: 30 };
    const { stockOf, scrapBound, opened, openedBound } = cutStock(problem, looks(3000));
    expectSound(problem, stockOf ?? []);
    expect(scrapBound).toBe(0);
    expect(openedBound).toBeLessThanOrEqual(opened);
  });

  it('gives the same for the same seed', () => {
    const limits = () => ({ ...looks(3000), seed: 7 });
    const instance = cablesInstance(40, 3);
    expect(solveCables(instance, limits()).solution).toEqual(solveCables(instance, limits()).solution);
  });

  it('keeps pieces of one outlet apart, and lets them together when it is not asked', () => {
    const runs = [1, 2].map((at) => ({ id: `R${at}`, outlet: 'O1', length_m: 20 }));
    const instance = (pullTogether: boolean): CablesInstance => ({
      newBox_m: 305,
      minReusable_m: 15,
      pullTogether,
      partBoxes: [],
      runs,
    });
    expect(solveCables(instance(true), looks(500)).objective).toBe(20_000);
    expect(solveCables(instance(false), looks(500)).objective).toBe(10_000);
  });

  it.each([
    [12, 1],
    [12, 2],
    [20, 1],
    [20, 5],
    [24, 2],
  ])(
    'opens as many boxes and leaves as much scrap as a general MILP solver on %i runs, seed %i',
    async (count, seed) => {
      const instance = cablesInstance(count, seed);
      const made = solveCables(instance, { now: () => performance.now(), untilMs: performance.now() + 1000 });
      const highs = await loadHighs();
      const boxes = Math.max(1, Math.floor((made.objective ?? 0) / 10_000));
      const reference = highs.solve(cablesLp(instance, boxes), { mip_rel_gap: 0, time_limit: 20 });
      // Where the reference did not finish, what it has is still an upper bound.
      expect(['Optimal', 'Time limit reached']).toContain(reference.Status);
      expect(made.objective).toBeLessThanOrEqual(Math.round(reference.ObjectiveValue));
      if (reference.Status === 'Optimal') expect(made.objective).toBe(Math.round(reference.ObjectiveValue));
      expect(made.bound).toBeLessThanOrEqual(made.objective ?? 0);
    },
    60_000,
  );

  it.each([60, 200])('meets its bound on %i seeded runs', (count) => {
    const solved = [1, 2, 3].map((seed) =>
      solveCables(cablesInstance(count, seed), { now: () => performance.now(), untilMs: performance.now() + 2000 }),
    );
    expect(solved.filter(({ status }) => status === 'optimal').length).toBeGreaterThanOrEqual(2);
    for (const { objective, bound } of solved) expect(bound).toBeLessThanOrEqual(objective ?? 0);
  });
});
