import { describe, expect, it } from 'vitest';
import { residualShare, thermal } from '../../base/standards/breakers';
import { dropAdvice } from '../../base/standards/mainsWire';
import { outletAmps, outlets, plugsFor } from '../../base/standards/outlets';
import { ruleSets } from '../../base/standards/ruleSets';
import { supplyGrades, twoFeedShare } from '../../base/standards/supplies';
import { magneticAmps, thermalAmps } from './breakers';
import { bridgeMinutes, crankingS, generatorGapS, generatorKva } from './generatorGap';
import { amperes, btuPerHour, continuousAmps, mainsForPoeW, voltAmperes } from './mainsCurrent';
import { voltageDrop } from './voltageDrop';

describe('mains', () => {
  // NFPA 70 210.20(A): continuous load at most 80 % of a breaker; elsewhere no general rule (IEC 60364).
  it.each([
    [120, 15, 1800, 1440],
    [120, 20, 2400, 1920],
    [120, 30, 3600, 2880],
    [208, 20, 4160, 3328],
    [208, 30, 6240, 4992],
    [240, 20, 4800, 3840],
  ])('%i V and %i A carry %i VA, %i for good', (volts, amps, whole, good) => {
    expect(volts * continuousAmps(amps, 1)).toBe(whole);
    expect(volts * continuousAmps(amps, ruleSets['north-america'].continuous.share)).toBeCloseTo(good, 9);
  });

  it.each([
    [10, 2300],
    [13, 2990],
    [16, 3680],
    [32, 7360],
  ])('230 V and %i A carry %i VA, all of it for good', (amps, whole) => {
    expect(230 * continuousAmps(amps, ruleSets.europe.continuous.share)).toBe(whole);
  });

  it('couplers: C13 10 A and C19 16 A, in North America 15 and 20 (IEC 60320-1; UL/CSA)', () => {
    expect([outletAmps('c13', 'europe'), outletAmps('c19', 'europe')]).toEqual([10, 16]);
    expect([outletAmps('c13', 'north-america'), outletAmps('c19', 'north-america')]).toEqual([15, 20]);
    expect(outletAmps(null, 'europe')).toBeNull();
  });

  it('household plugs: 13, 16, 10, 15 and 20 A (BS 1363, CEE 7, AS/NZS 3112, NEMA)', () => {
    const rated = (['bs-1363', 'cee-7', 'as-nzs-3112', 'nema-5-15', 'nema-5-20'] as const).map(
      (kind) => outlets[kind].amps,
    );
    expect(rated).toEqual([13, 16, 10, 15, 20]);
  });

  it('a plug of 15 A goes into an outlet of 20 A and not the other way round (NFPA 70 Table 210.21(B)(3); NEMA WD 6)', () => {
    expect(outlets['nema-5-20'].takes).toContain('nema-5-15');
    expect(outlets['nema-5-15'].takes).not.toContain('nema-5-20');
  });

  it('says nothing of plugs where the household one is not known', () => {
    expect(plugsFor('barrel', null, 'other')).toBeNull();
    expect(plugsFor('c14', null, 'other')).toEqual(['c14']);
    expect(plugsFor('c14', null, 'united-kingdom')).toEqual(['c14', 'bs-1363']);
  });

  it('current and volt-amperes go by the power factor: 419 W at 230 V (physics)', () => {
    expect(amperes(419, 230, 1)).toBeCloseTo(1.82, 2);
    expect(amperes(419, 230, 0.95)).toBeCloseTo(1.92, 2);
    expect(amperes(419, 230, 0.6)).toBeCloseTo(3.04, 2);
    expect(voltAmperes(400, 0.9)).toBeCloseTo(444, 0);
  });

  it('what leaves ports takes more at the mains: 200 W and 208 W at 0.88 are 436 W (energy balance)', () => {
    expect(200 + mainsForPoeW(208, 0.88)).toBeCloseTo(436.4, 1);
    expect(mainsForPoeW(208, 0.88)).toBeCloseTo(236, 0);
  });

  it.each([
    [100, 341.2],
    [500, 1706],
    [1000, 3412],
  ])('%i W are %f BTU an hour (NIST SP 811)', (watts, btu) => expect(btuPerHour(watts)).toBeCloseTo(btu, 1));

  it('B16 acts between 48 and 80 A, C16 between 80 and 160 (IEC 60898-1)', () => {
    expect(magneticAmps(16, 'B')).toEqual({ from: 48, to: 80 });
    expect(magneticAmps(16, 'C')).toEqual({ from: 80, to: 160 });
    expect(magneticAmps(10, 'D')).toEqual({ from: 100, to: 200 });
    expect(thermalAmps(16).holds).toBeCloseTo(18.08, 9);
    expect(thermal.acts).toBe(1.45);
  });

  it('3 A over 20 m of 2.5 mm² lose 1.08 V, 0.47 % (BS 7671 Appendix 4)', () => {
    const { volts, percent } = voltageDrop('2.5', 20_000, 3, 230);
    expect(volts).toBeCloseTo(1.08, 9);
    expect(percent).toBeCloseTo(0.47, 2);
  });

  it.each([
    ['awg-14', 3.07],
    ['awg-12', 1.93],
    ['awg-10', 1.21],
  ] as const)('%s: there and back twice %f ohm a thousand feet (NFPA 70 Chapter 9 Table 8)', (wire, ohmPerKft) => {
    expect(voltageDrop(wire, 304_800, 1, 120).volts).toBeCloseTo(2 * ohmPerKft, 1);
  });

  it('advice on the drop: 3 % there, 5 % here (NFPA 70 210.19 note; BS 7671 Appendix 4)', () => {
    expect(dropAdvice).toEqual({ northAmerica: 3, elsewhere: 5 });
  });

  it('30 mA carry 9 mA of standing leakage (BS 7671 531.3.2, from memory)', () => {
    expect(30 * residualShare).toBeCloseTo(9, 12);
  });

  it('grades promise most at half load (published grading at 115 V)', () => {
    for (const [low, half, full] of Object.values(supplyGrades)) {
      expect(half).toBeGreaterThanOrEqual(low);
      expect(half).toBeGreaterThanOrEqual(full);
    }
    expect(supplyGrades.gold).toEqual([0.87, 0.9, 0.87]);
    expect(supplyGrades.titanium[1]).toBe(0.94);
  });

  it('of two feeds each is used for half, 40 % of a breaker with the 80 % rule (arithmetic)', () => {
    expect(twoFeedShare * ruleSets['north-america'].continuous.share).toBeCloseTo(0.4, 12);
  });

  it('three cranks of 15 s with 15 s rests take 75 s (NFPA 110, from memory)', () => {
    expect(crankingS(3)).toBe(75);
    expect(generatorGapS({ delayS: 10, attempts: 3, warmS: 15, transferS: 5 })).toBe(105);
    expect(bridgeMinutes(105)).toBeCloseTo(3.5, 9);
  });

  it('a generator is larger than the battery unit behind it: rule of thumb 1.25 to 1.5, plain 2 to 3', () => {
    expect(generatorKva(2, true)).toBeCloseTo(3.5, 9);
    expect(generatorKva(2, false)).toBeCloseTo(6.5, 9);
  });
});
