import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { endOfLifeShare, peukertExponent, rideThroughMs, topologies } from '../../base/standards/batteries';
import {
  agedShare,
  coldDivisor,
  lifeAt,
  peukertMinutes,
  plainMinutes,
  rechargeHours,
  shedFactor,
  tableMinutes,
  unitHeatW,
  unitLoad,
  ventAirM3h,
} from './batteryRuntime';

describe('battery minutes', () => {
  // Peukert 1897; 24 V 9 Ah, inverter 0.85.
  it.each([
    [50, 220, 186, 157],
    [100, 110, 87, 68],
    [200, 55, 40, 30],
    [300, 37, 26, 18],
  ])('%i W: by energy %i, k 1.1 %i, k 1.2 %i', (load, plain, k11, k12) => {
    expect(plainMinutes(24, 9, 0.85, load)).toBeCloseTo(plain, 0);
    expect(Math.abs(peukertMinutes(24, 9, 0.85, load, 1.1) - k11)).toBeLessThan(0.6);
    expect(Math.abs(peukertMinutes(24, 9, 0.85, load, 1.2) - k12)).toBeLessThan(0.6);
  });

  it('200 W last 29.7 minutes at k 1.2 (Peukert 1897)', () => {
    expect(peukertMinutes(24, 9, 0.85, 200, 1.2)).toBeCloseTo(29.7, 1);
  });

  it('between rows a line in the logarithms: 20 min at 200 W, 8 at 400, 11.7 at 300 (rule of thumb)', () => {
    const rows = [
      { loadW: 400, minutes: 8 },
      { loadW: 200, minutes: 20 },
    ];
    expect(tableMinutes(rows, 300)?.minutes).toBeCloseTo(11.7, 1);
    expect(tableMinutes(rows, 300)?.bound).toBe('exact');
    expect(tableMinutes(rows, 400)?.minutes).toBeCloseTo(8, 9);
  });

  it('never goes beyond the ends of a table', () => {
    const rows = [
      { loadW: 200, minutes: 20 },
      { loadW: 400, minutes: 8 },
    ];
    expect(tableMinutes(rows, 100)).toEqual({ minutes: 20, bound: 'at least' });
    expect(tableMinutes(rows, 500)).toEqual({ minutes: 8, bound: 'at most' });
    expect(tableMinutes([], 100)).toBeNull();
  });

  it('half the load lasts 2.30 times, 30 % less 1.53 times at k 1.2 (Peukert 1897)', () => {
    expect(shedFactor(100, 50, 1.2)).toBeCloseTo(2.3, 2);
    expect(shedFactor(100, 70, 1.2)).toBeCloseTo(1.53, 2);
  });

  it('exponents stand within the usual ranges (rule of thumb)', () => {
    expect(peukertExponent.vrla).toBeLessThanOrEqual(1.25);
    expect(peukertExponent.vrla).toBeGreaterThanOrEqual(1.1);
    expect(peukertExponent.flooded).toBeLessThanOrEqual(1.4);
    expect(peukertExponent.lithium).toBeLessThanOrEqual(1.05);
  });

  it.each([
    [25, 1],
    [30, 1],
    [15.6, 1.11],
    [10, 1.19],
    [4.4, 1.3],
    [-3.9, 1.52],
  ])('lead-acid at %f °C: capacity divided by %f (IEEE 485, from memory)', (atC, by) => {
    expect(coldDivisor('vrla', atC)).toBeCloseTo(by, 9);
  });

  it('never lasts longer than the energy stored: 10 W on 48 V 36 Ah', () => {
    // Below the 20-hour rate Peukert gives more than C × V × η / W.
    expect(peukertMinutes(48, 36, 0.85, 10, 1.2)).toBeCloseTo(plainMinutes(48, 36, 0.85, 10), 6);
    fc.assert(
      fc.property(fc.double({ min: 1, max: 3000, noNaN: true }), (load) => {
        expect(peukertMinutes(24, 9, 0.85, load, 1.2)).toBeLessThanOrEqual(plainMinutes(24, 9, 0.85, load) + 1e-9);
      }),
    );
  });

  it('goes on below the coldest row, and lithium has rows of its own (common practice)', () => {
    expect(coldDivisor('vrla', -20)).toBeGreaterThan(1.52);
    expect(coldDivisor('lithium', -15)).toBeGreaterThan(1.4);
    expect(coldDivisor('lithium', 25)).toBe(1);
    expect(lifeAt('lithium', 35)).toBeCloseTo(lifeAt('lithium', 25) / 2, 9);
  });

  it('life halves for each 8.3 K above 25 °C (IEEE 1188), and at its end 80 % is left (IEEE 450)', () => {
    expect(lifeAt('vrla', 33.3)).toBeCloseTo(lifeAt('vrla', 25) / 2, 9);
    expect(lifeAt('vrla', 10)).toBe(lifeAt('vrla', 25));
    expect(agedShare(3, 3)).toBeCloseTo(endOfLifeShare, 12);
    expect(agedShare(3.1, 3)).toBeNull();
    expect(endOfLifeShare).toBe(0.8);
  });

  it('400 W at 0.9 make 95 % in watts and 63 % in VA of a unit of 420 W and 700 VA (arithmetic)', () => {
    const { watts, va, fits } = unitLoad(400, 400 / 0.9, 420, 700);
    expect(watts).toBeCloseTo(0.952, 3);
    expect(va).toBeCloseTo(0.635, 3);
    expect(fits).toBe(true);
    expect(unitLoad(100, 800, 420, 700).fits).toBe(false);
  });

  it('300 W at 0.9 leave 33.3 W in the cabinet (physics)', () => expect(unitHeatW(300, 0.9)).toBeCloseTo(33.3, 1));

  it('two 12 V 9 Ah blocks, charging fast, ask for 0.0432 m³/h (IEC 62485-2, from memory)', () => {
    expect(ventAirM3h(12, 9, 'vrla')).toBeCloseTo(0.0432, 6);
  });

  it('recharge puts back 1.1 to 1.2 times what was taken (rule of thumb)', () => {
    expect(rechargeHours(9, 1)).toBeGreaterThanOrEqual(9.9);
    expect(rechargeHours(9, 1)).toBeLessThanOrEqual(10.8 + 1e-9);
  });

  it('double conversion comes over at once; the others within what supplies ride through (IEC 62040-3; ITIC)', () => {
    expect(topologies.vfi.transferMs).toBe(0);
    for (const { transferMs } of Object.values(topologies)) expect(transferMs).toBeLessThan(rideThroughMs);
  });

  it('more load never lasts longer', () => {
    const load = fc.double({ min: 1, max: 3000, noNaN: true });
    const rows = fc.array(
      fc.record({ loadW: fc.integer({ min: 10, max: 3000 }), minutes: fc.integer({ min: 1, max: 600 }) }),
      {
        minLength: 1,
        maxLength: 6,
      },
    );
    fc.assert(
      fc.property(load, load, rows, fc.double({ min: 1, max: 1.4, noNaN: true }), (a, b, table, k) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        expect(peukertMinutes(24, 9, 0.85, more, k)).toBeLessThanOrEqual(peukertMinutes(24, 9, 0.85, less, k));
        // A table that falls, as tables do.
        const loads = [...new Set(table.map((row) => row.loadW))].sort((x, y) => x - y);
        const minutes = table.map((row) => row.minutes).sort((x, y) => y - x);
        const falling = loads.map((loadW, at) => ({ loadW, minutes: minutes[at] ?? 1 }));
        const [long, short] = [less, more].map((watts) => tableMinutes(falling, watts)?.minutes ?? 0);
        expect(short).toBeLessThanOrEqual((long ?? 0) + 1e-9);
      }),
    );
  });
});
