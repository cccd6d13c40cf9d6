import { describe, expect, it } from 'vitest';
import { bundleFreeAmps, bundleRise as limits } from '../../../base/standards/bundleAmpacity';
import { ohmPerMetre } from '../../power/copperWire';
import { bundleAmpacity, bundleRise, cableHeat, perConductor, poweringClass, riseAt } from './bundleHeat';

const ohmPerM = (awg: number) => ohmPerMetre(awg);

describe('heat in bundles', () => {
  // P = I² R of annealed copper at 20 °C (ASTM B258; IEC 60028), currents of IEEE 802.3 classes.
  it.each([
    [0.35, 2, 0.175, 0.0103, 0.25, 0.0082],
    [0.6, 2, 0.3, 0.0303, 0.73, 0.024],
    [1.2, 4, 0.3, 0.0606, 1.46, 0.0481],
    [1.732, 4, 0.433, 0.1262, 3.03, 0.1001],
  ] as const)('%f A over %i pairs: %f A a conductor', (amps, pairs, each, one24, bundle24, one23) => {
    expect(perConductor(amps, pairs)).toBeCloseTo(each, 3);
    expect(cableHeat(amps, pairs, ohmPerM(24))).toBeCloseTo(one24, 3);
    expect(24 * cableHeat(amps, pairs, ohmPerM(24))).toBeCloseTo(bundle24, 2);
    expect(cableHeat(amps, pairs, ohmPerM(23))).toBeCloseTo(one23, 3);
  });

  it.each([
    [26, [1, 1, 0.7, 0.5, 0.4, 0.4, null]],
    [24, [2, 1, 0.8, 0.6, 0.5, 0.4, 0.3]],
    [23, [2.5, 1.2, 0.8, 0.6, 0.5, 0.5, 0.4]],
    [22, [3, 1.4, 1, 0.7, 0.6, 0.6, 0.5]],
  ])('%i AWG: the table by bundles (NFPA 70 Table 725.144, from memory)', (awg, row) => {
    expect([1, 7, 19, 37, 61, 91, 192].map((cables) => bundleAmpacity(awg, cables))).toEqual(row);
    expect(bundleAmpacity(awg, 193)).toBeNull();
  });

  it('the rise goes with the square of the current (physics)', () => {
    expect(riseAt(10, 0.3, 0.6)).toBeCloseTo(40, 9);
    expect(bundleRise(24, 20, 0.6)).toBeCloseTo(30, 9);
    expect(bundleRise(24, 20, 0.3)).toBeCloseTo(7.5, 9);
  });

  it('it grows with the bundle and falls with thicker wire (physics)', () => {
    const grown = [1, 7, 19, 37, 61, 91, 192].map((cables) => bundleRise(24, cables, 0.3) ?? 0);
    expect(grown).toEqual([...grown].sort((a, b) => a - b));
    for (const cables of [1, 7, 19])
      expect(bundleRise(23, cables, 0.3)).toBeLessThanOrEqual(bundleRise(24, cables, 0.3) ?? 0);
  });

  it('15 K over 45 °C at most (TIA TSB-184-A), no table up to 0.3 A (NFPA 70 725.144); both from memory', () => {
    expect(limits).toEqual({ mostK: 15, ambientC: 45 });
    expect(bundleFreeAmps).toBe(0.3);
  });

  it('remote powering by mean current: 212 and 500 mA (ISO/IEC 14763-2, from memory)', () => {
    expect([0.2, 0.212, 0.3, 0.5, 0.51].map(poweringClass)).toEqual(['RP1', 'RP1', 'RP2', 'RP2', 'RP3']);
  });
});
