import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type StackProblem, stackCost } from './problem';
import { stackUp } from './stackUp';

/** A clock that counts how often it is looked at. */
const looks = (most = 1e9) => {
  let count = 0;
  return { now: () => count++, untilMs: most };
};
const never = Number.POSITIVE_INFINITY;

/** Every way to stand, one by one. */
function bruteForce(problem: StackProblem): number {
  let best = never;
  const bottoms: number[] = [];
  const put = (at: number) => {
    if (at === problem.items.length) {
      const { cost, wrong } = stackCost(problem, bottoms);
      if (wrong.length === 0) best = Math.min(best, cost);
      return;
    }
    for (let bottom = 1; bottom + (problem.items[at]?.height ?? 1) - 1 <= problem.units; bottom++) {
      bottoms[at] = bottom;
      put(at + 1);
    }
  };
  put(0);
  return best;
}

const small = fc
  .record({
    units: fc.integer({ min: 3, max: 8 }),
    items: fc.array(
      fc.record({
        height: fc.constantFrom(1, 1, 2),
        hot: fc.boolean(),
        slope: fc.integer({ min: -3, max: 5 }),
        places: fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 8, maxLength: 8 }),
        only: fc.constantFrom(0, 0, 0, 0, 1, 3),
        barred: fc.constantFrom(0, 0, 2, 4),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    links: fc.array(fc.record({ a: fc.nat(4), b: fc.nat(4), weight: fc.integer({ min: 1, max: 6 }) }), {
      maxLength: 5,
    }),
    touching: fc.array(fc.tuple(fc.nat(4), fc.nat(4)), { maxLength: 2 }),
    heatCost: fc.constantFrom(0, 7),
    freeReward: fc.constantFrom(0, 1, 3),
    walls: fc.constantFrom([], [], [3], [2, 5]),
  })
  .map(({ units, items, links, touching, walls, ...rest }): StackProblem => {
    const known = (...ends: number[]) => ends.every((end) => end < items.length) && new Set(ends).size === ends.length;
    return {
      ...rest,
      units,
      items: items.map(({ height, hot, slope, places, only, barred }) => ({
        height,
        hot,
        costAt: Array.from({ length: units }, (_, at) =>
          (only > 0 && at + 1 !== only) || at + 1 === barred ? never : slope * at + (places[at] ?? 0),
        ),
      })),
      links: links.filter(({ a, b }) => known(a, b)),
      touching: touching.filter(([a, b]) => known(a, b)),
      walls: walls.filter((unit) => unit <= units),
    };
  });

describe('stacking things into a column of units', () => {
  it('finds what trying every way finds, proves it, and says when there is none', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const { bottoms, cost, bound, proven } = stackUp(problem, looks());
        const best = bruteForce(problem);
        expect(proven).toBe(true);
        if (best === never) {
          expect(bottoms).toBeNull();
          return;
        }
        expect(stackCost(problem, bottoms ?? []).wrong).toEqual([]);
        expect(cost).toBeCloseTo(best, 6);
        expect(bound).toBeCloseTo(best, 6);
      }),
      { numRuns: 400 },
    );
  });

  it('gives a bound that is no more than the best, and a stack that holds, however early it is stopped', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 1, max: 6 }), (problem, most) => {
        const { bottoms, cost, bound, proven } = stackUp(problem, looks(most));
        const best = bruteForce(problem);
        if (bottoms) expect(stackCost(problem, bottoms)).toMatchObject({ wrong: [], cost });
        if (best === never) return;
        expect(bound).toBeLessThanOrEqual(best + 1e-6);
        if (proven) expect(cost).toBeCloseTo(best, 6);
      }),
      { numRuns: 200 },
    );
  });

  it('is the same for the same seed', () => {
    fc.assert(
      fc.property(small, fc.nat(), (problem, seed) => {
        expect(stackUp(problem, { ...looks(), seed })).toEqual(stackUp(problem, { ...looks(), seed }));
      }),
      { numRuns: 40 },
    );
  });

  it('costs no more when an item may stand in more places', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const [first, ...others] = problem.items;
        if (!first) return;
        const costAt = first.costAt.map((cost) => (cost === never ? 100 : cost));
        const wider = stackUp({ ...problem, items: [{ ...first, costAt }, ...others] }, looks());
        expect(wider.cost).toBeLessThanOrEqual(stackUp(problem, looks()).cost + 1e-6);
      }),
      { numRuns: 80 },
    );
  });

  it('gives a bound for more things than can be swept through, and takes none at all', () => {
    const items = Array.from({ length: 34 }, (_, at) => ({
      height: 1 + (at % 2),
      hot: at % 5 === 0,
      costAt: Array.from({ length: 60 }, (__, unit) => (unit + 1 + (at % 2) > 60 ? never : ((at * 7) % 11) * unit)),
    }));
    const links = items.slice(1).map((_, at) => ({ a: at, b: (at * 5 + 3) % 34, weight: 1 + (at % 4) }));
    const problem = { units: 60, items, links, touching: [], heatCost: 9, freeReward: 2, walls: [30, 31] };
    const { bottoms, cost, bound, proven } = stackUp(problem, looks());
    expect(stackCost(problem, bottoms ?? [])).toMatchObject({ wrong: [], cost });
    expect(proven).toBe(false);
    expect(Number.isFinite(bound)).toBe(true);
    expect(bound).toBeLessThan(cost);
    expect(stackUp({ ...problem, items: [], links: [] }, looks())).toMatchObject({ bottoms: [], proven: true });
  });

  it('calls a ring of things that must touch impossible', () => {
    const item = { height: 1, hot: false, costAt: [0, 0, 0, 0] };
    const ring: StackProblem['touching'] = [
      [0, 1],
      [1, 2],
      [2, 0],
    ];
    const problem = { units: 4, items: [item, item, item], links: [], touching: ring, heatCost: 0, freeReward: 0 };
    expect(stackUp(problem, looks())).toMatchObject({ bottoms: null, proven: true });
  });
});
