import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { packCircles } from './circlePacking';
import { seededRandom } from './random';

const radii = fc
  .array(fc.integer({ min: 10, max: 60 }), { minLength: 1, maxLength: 14 })
  .map((all) => all.map((r) => r / 10));

describe('packing circles', () => {
  it('is a true arrangement: none overlap, all lie within', () => {
    fc.assert(
      fc.property(radii, (some) => {
        const { circles, radius } = packCircles(some, 4);
        expect(circles.map((one) => one.r)).toEqual(some);
        for (const [at, a] of circles.entries()) {
          expect(Math.hypot(a.x, a.y) + a.r).toBeLessThanOrEqual(radius + 1e-9);
          for (const b of circles.slice(at + 1))
            expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(a.r + b.r - 1e-9);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('is never smaller than the area, the widest, or the two widest side by side', () => {
    fc.assert(
      fc.property(radii, (some) => {
        const { radius } = packCircles(some, 4);
        const area = some.reduce((sum, r) => sum + r * r, 0);
        const [first = 0, second = 0] = [...some].sort((a, b) => b - a);
        expect(radius).toBeGreaterThanOrEqual(Math.sqrt(area) - 1e-9);
        expect(radius).toBeGreaterThanOrEqual(first + second - 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('scales with its circles, and is the same for the same seed', () => {
    const some = [3, 3, 2, 2.5, 1];
    const { radius } = packCircles(some, 6, 3);
    expect(packCircles(some, 6, 3).radius).toBe(radius);
    expect(
      packCircles(
        some.map((r) => r * 2),
        6,
        3,
      ).radius,
    ).toBeCloseTo(radius * 2, 6);
  });

  it('needs nothing for nothing, and just itself for one', () => {
    expect(packCircles([])).toEqual({ circles: [], radius: 0 });
    expect(packCircles([4]).radius).toBe(4);
    expect(packCircles([4, 3]).radius).toBeCloseTo(7, 2);
  });
});

describe('seeded numbers', () => {
  it('are the same for a seed, differ between seeds, and fill their range evenly', () => {
    const take = (seed: number, count: number) => {
      const random = seededRandom(seed);
      return Array.from({ length: count }, () => random());
    };
    expect(take(5, 20)).toEqual(take(5, 20));
    expect(take(5, 20)).not.toEqual(take(6, 20));
    const many = take(1, 10_000);
    expect(many.every((value) => value >= 0 && value < 1)).toBe(true);
    const bins = new Array(10).fill(0);
    for (const value of many) bins[Math.floor(value * 10)] += 1;
    for (const bin of bins) expect(Math.abs(bin - 1000)).toBeLessThan(150);
  });
});
