import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyPacking, packingByHighs, packingByTrying } from '../../../../tests/support/packing';
import { stepLimits } from '../limits';
import { pack } from './pack';
import { isPacked, packingCost } from './problem';

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

  it('stops when it is told to, with what it has and an honest bound', () => {
    const problem = anyPacking(5, 30, 36);
    const whole = pack(problem, stepLimits(100_000));
    const short = pack(problem, stepLimits(1));
    expect(isPacked(problem, short.placeOf)).toBe(true);
    expect(short.bound).toBeLessThanOrEqual(whole.cost);
  });
});
