import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitPace } from './pace';
import { crawfordTotal, lastMomentMin, rangeOf, threePoint, unitMinutes, withBreaks, wrightTotal } from './timing';

describe('the learning curve', () => {
  // Wright 1936 (cumulative average), Crawford (unit time): T_n = T_1 × n^(log2 r). First jack 12 min, r = 0.85.
  it.each([
    [2, 10.2],
    [4, 8.67],
    [8, 7.37],
    [24, 5.7],
  ])('gives the %i. jack %f min', (n, minutes) => {
    expect(unitMinutes(12, n, 0.85)).toBeCloseTo(minutes, 2);
  });

  it('gives 24 jacks by Crawford, by Wright and without learning', () => {
    expect(crawfordTotal(12, 24, 0.85)).toBeCloseTo(172, 1);
    expect(wrightTotal(12, 24, 0.85)).toBeCloseTo(136.7, 1);
    expect(crawfordTotal(12, 24, 1)).toBe(288);
  });

  it.each([
    [0.8, -0.3219],
    [0.85, -0.2345],
    [0.9, -0.152],
    [0.95, -0.074],
  ])('has for r %f the exponent %f', (r, exponent) => {
    // T_10 / T_1 = 10^exponent.
    expect(Math.log10(unitMinutes(1, 10, r))).toBeCloseTo(exponent, 4);
  });

  it('is multiplied by r whenever the number doubles', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.7, max: 1, noNaN: true }), fc.integer({ min: 1, max: 500 }), (r, n) => {
        expect(unitMinutes(10, 2 * n, r)).toBeCloseTo(r * unitMinutes(10, n, r), 9);
      }),
    );
  });
});

describe('how long it takes', () => {
  it('of three points is as PERT has it', () => {
    // PERT: (o + 4m + p) / 6, s = (p − o) / 6. 6, 8, 16 min: 9.0, 1.67.
    const { mean, spread } = threePoint(6, 8, 16);
    expect(mean).toBeCloseTo(9, 9);
    expect(spread).toBeCloseTo(1.67, 2);
  });

  it('of many steps has a range as wide as that of each: a slow pace is slow throughout', () => {
    const [one, hundred] = [rangeOf([10]), rangeOf(Array(100).fill(10))];
    expect(hundred.mean).toBeCloseTo(100 * one.mean, 6);
    expect(hundred.most - hundred.mean).toBeCloseTo(100 * (one.most - one.mean), 6);
    // A quarter to each side, not the few percent that independent errors would leave.
    expect((hundred.most - hundred.mean) / hundred.mean).toBeCloseTo(0.25, 1);
    expect(rangeOf([])).toEqual({ least: 0, mean: 0, most: 0 });
  });

  it('has a break after each stretch but the last', () => {
    expect(withBreaks(120, 120, 15)).toBe(120);
    expect(withBreaks(121, 120, 15)).toBe(136);
    expect(withBreaks(250, 120, 15)).toBe(280);
    expect(withBreaks(0, 120, 15)).toBe(0);
  });

  it('leaves a last moment to go on', () => {
    // Arithmetic: end of window − time to undo − time to verify.
    expect(lastMomentMin(240, 45, 10)).toBe(185);
  });
});

describe('the pace', () => {
  it('is fitted to ticks that follow a curve exactly', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 3, noNaN: true }),
        fc.double({ min: 0.72, max: 0.99, noNaN: true }),
        fc.integer({ min: 5, max: 40 }),
        (factor, learning, count) => {
          const took = Array.from({ length: count }, (_, at) => ({
            minutes: unitMinutes(8 * factor, at + 1, learning),
            firstMin: 8,
          }));
          const made = fitPace(took, 0.9);
          expect(made.factor).toBeCloseTo(factor, 6);
          expect(made.learning).toBeCloseTo(learning, 6);
        },
      ),
    );
  });

  it('keeps the planned curve while there are few ticks, and itself where there are none', () => {
    expect(fitPace([], 0.9)).toEqual({ factor: 1, learning: 0.9 });
    const made = fitPace([{ minutes: 12, firstMin: 10 }], 0.9);
    expect(made.factor).toBeCloseTo(1.2, 9);
    expect(made.learning).toBeCloseTo(0.9, 9);
    // Two taps are no time, and a tick that was forgotten for a day is no pace.
    expect(fitPace([{ minutes: 0, firstMin: 10 }], 0.9).factor).toBe(1);
    expect(fitPace([{ minutes: 0.1, firstMin: 75 }], 0.9).factor).toBe(1);
    expect(fitPace([{ minutes: 1440, firstMin: 10 }], 0.9).factor).toBe(3);
  });
});
