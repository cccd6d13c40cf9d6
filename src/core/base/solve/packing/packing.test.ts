import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyPacking, packingByHighs, packingByTrying } from '../../../../../tests/support/packing';
import { stepLimits } from '../limits';
import { improve } from './improve';
import { pack } from './pack';
import { hasRoom, isPacked, packingCost } from './problem';

describe('packing', () => {
  it('is as cheap as trying everything, where that can be done', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const problem = anyPacking(seed, 4, 6);
        const found = pack(problem, stepLimits(5000));
        expect(isPacked(problem, found.placeOf)).toBe(true);
        expect(packingCost(problem, found.placeOf)).toBe(found.cost);
        expect(found.proven).toBe(true);
        expect(found.cost).toBe(packingByTrying(problem));
      }),
      { numRuns: 150 },
    );
  });

  it.each([1, 2, 3])('costs what a general solver finds, seed %i', async (seed) => {
    const problem = anyPacking(seed, 14, 18);
    const found = pack(problem, stepLimits(20_000));
    expect(isPacked(problem, found.placeOf)).toBe(true);
    expect(found.proven).toBe(true);
    expect(found.cost).toBe(await packingByHighs(problem));
  });

  it.each([
    [124, 14, 20, false],
    [8, 14, 18, true],
  ])('pays once for two that are together, seed %i', async (seed, things, places, tight) => {
    const problem = anyPacking(seed, things, places, tight);
    const found = pack(problem, stepLimits(20_000));
    expect(found.proven).toBe(true);
    expect(found.cost).toBe(await packingByHighs(problem));
  });

  it('finds nothing to better in the best one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const made = anyPacking(seed, 7, 10, false);
        const apart = Array.from({ length: 6 }, (_, a) => ({ a, b: a + 1, groupOf: made.rowOf, price: 1500 }));
        const problem = { ...made, apart };
        const all = Uint8Array.from(problem.cost, (one, pair) =>
          Number.isFinite(one) && hasRoom(problem, Math.floor(pair / 10), pair % 10) ? 1 : 0,
        );
        const best = pack(problem, stepLimits(20_000));
        expect(improve(problem, best.placeOf, all).cost).toBe(best.cost);
      }),
      { numRuns: 80 },
    );
  });

  it('stops when it is told to, with what it has and an honest bound', () => {
    const problem = anyPacking(5, 30, 36);
    const whole = pack(problem, stepLimits(100_000));
    const short = pack(problem, stepLimits(1));
    expect(isPacked(problem, short.placeOf)).toBe(true);
    expect(short.bound).toBeLessThanOrEqual(whole.cost);
  });
});
