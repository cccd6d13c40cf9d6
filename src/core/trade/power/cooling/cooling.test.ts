import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fanShare, intake, type Position, riseExponent } from '../../../base/standards/cooling';
import { airFactor, airFor, riseBy, stackAir, toCfm, wattsBy } from './airflow';
import { closetRise } from './closet';
import { effectiveSurface, shutRise, shutWatts } from './surface';

describe('air', () => {
  it.each([
    [15, 2.921],
    [20, 2.972],
    [25, 3.023],
    [30, 3.073],
    [35, 3.124],
  ])('at %i °C a watt and kelvin take %f m³/h (ideal gas)', (airC, factor) => {
    expect(airFactor(airC)).toBeCloseTo(factor, 2);
  });

  it('300 W with a rise of 10 K take 89.2 m³/h, 52.5 cubic feet a minute (physics)', () => {
    expect(airFor(300, 10)).toBeCloseTo(89.2, 0);
    expect(toCfm(airFor(300, 10))).toBeCloseTo(52.5, 0);
    // ASHRAE sensible-heat factor: CFM = 3.16 W / ΔT °F.
    expect(Math.abs(toCfm(airFor(300, 10)) - (3.16 * 300) / 18)).toBeLessThan(0.5);
    expect(riseBy(300, 89.2)).toBeCloseTo(10, 1);
  });

  it.each([
    [1000, 1.127],
    [1500, 1.198],
    [2000, 1.275],
    [3000, 1.445],
  ])('%i m up it takes %f times as much (ISA)', (height, times) => {
    expect(airFactor(20, height) / airFactor(20)).toBeCloseTo(times, 2);
  });

  it('two vents of 100 cm², half a metre apart, 10 K: 8.7 m³/h, 29 W (physics)', () => {
    expect(stackAir(100, 100, 500, 10, 26.85)).toBeCloseTo(8.7, 1);
    expect(wattsBy(stackAir(100, 100, 500, 10, 26.85), 10, 26.85)).toBeCloseTo(29, 0);
    expect(stackAir(100, 0, 500, 10)).toBe(0);
  });

  it('a fan moves half of its figure behind mesh (rule of thumb)', () => expect(fanShare).toBe(0.5));

  it('intake: 18 to 27 °C advised; A1 15 to 32, A2 10 to 35, A3 5 to 40, A4 5 to 45 allowed (ASHRAE TC 9.9)', () => {
    expect(intake.advised).toEqual([18, 27]);
    expect(Object.values(intake.allowed)).toEqual([
      [15, 32],
      [10, 35],
      [5, 40],
      [5, 45],
    ]);
  });
});

describe('a shut cabinet', () => {
  const box = { widthMm: 600, heightMm: 600, depthMm: 450 };
  // IEC TR 60890; DIN VDE 0660-500. Rise at 100 W with k 5.5, from memory.
  it.each([
    ['alone', false, 1.512, 12],
    ['alone-wall', false, 1.368, 13.3],
    ['end', false, 1.404, 13],
    ['end-wall', false, 1.26, 14.4],
    ['middle', false, 1.296, 14],
    ['middle-wall', false, 1.152, 15.8],
    ['middle-wall', true, 0.963, 18.9],
  ] as [Position, boolean, number, number][])('%s, top covered %s: %f m², %f K', (position, covered, area, rise) => {
    const surface = effectiveSurface(box, position, covered);
    expect(surface).toBeCloseTo(area, 3);
    expect(shutRise(100, surface, 'steel')).toBeCloseTo(rise, 1);
  });

  it('80 W on a wall warm it by 10.6 K; 15 K carry 113 W (trade formula, from memory)', () => {
    const surface = effectiveSurface(box, 'alone-wall');
    expect(shutRise(80, surface, 'steel')).toBeCloseTo(10.6, 1);
    expect(shutWatts(15, surface, 'steel')).toBeCloseTo(113, 0);
  });

  it('nothing is said of wood', () => expect(shutRise(80, 1, 'wood')).toBeNull());

  it('the exponents of the standard bend the line downwards (IEC TR 60890, from memory)', () => {
    expect(riseExponent.open).toBeLessThan(riseExponent.closed);
    expect(riseExponent.closed).toBeLessThan(1);
  });

  it('a cupboard of 6 m³ and 20 m² at 2 W/(m² K), an air change an hour: 300 W warm it by 7.1 K (physics)', () => {
    expect(closetRise(300, 6, 1, 20, 2)).toBeCloseTo(7.1, 1);
  });

  it('more surface and more air never warm it', () => {
    const amount = fc.double({ min: 0.1, max: 500, noNaN: true });
    fc.assert(
      fc.property(amount, amount, amount, (watts, a, b) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        expect(riseBy(watts, more)).toBeLessThanOrEqual(riseBy(watts, less));
        expect(shutRise(watts, more, 'steel') ?? 0).toBeLessThanOrEqual(shutRise(watts, less, 'steel') ?? 0);
        expect(stackAir(more, 100, 500, 10)).toBeGreaterThanOrEqual(stackAir(less, 100, 500, 10));
      }),
    );
  });
});
