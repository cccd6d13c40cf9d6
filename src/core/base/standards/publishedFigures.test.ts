import { describe, expect, it } from 'vitest';
import { gaugeDiameterMm, loopOhm, ohmPerMetre } from '../../trade/power/copperWire';
import { voltageDrop } from '../../trade/power/voltageDrop';
import { liftingIndex, recommendedLimit } from '../../trade/rack/lifting/liftingEquation';
import { TREE } from '../../trade/testing/switches/managementTree';
import { FIELD_LIMITS } from '../../trade/testing/testLimit';
import { rideThroughMs, topologies } from './batteries';
import { channelLoopOhm } from './copperWire';
import { mainsWires } from './mainsWire';
import { noiseTargets } from './noise';
import { supplyGrades } from './supplies';

describe('published figures', () => {
  it('delay 555 and 498 ns, skew 50 and 44 ns, loop 25 and 21 ohm, 100 and 90 m (ANSI/TIA-568.2; ISO/IEC 11801)', () => {
    expect(FIELD_LIMITS.channel).toEqual({ delayNs: 555, skewNs: 50, loopOhm: 25, lengthMm: 100_000 });
    expect(FIELD_LIMITS['permanent link']).toEqual({ delayNs: 498, skewNs: 44, loopOhm: 21, lengthMm: 90_000 });
    expect(channelLoopOhm).toBe(25);
  });

  it('gauges: 3 less is twice the area, 6 less twice the diameter, 10 less a tenth of the resistance (ASTM B258)', () => {
    for (const awg of [20, 24, 26, 30]) {
      expect((gaugeDiameterMm(awg - 3) / gaugeDiameterMm(awg)) ** 2).toBeCloseTo(2, 1);
      expect(gaugeDiameterMm(awg - 6) / gaugeDiameterMm(awg)).toBeCloseTo(2, 1);
      expect(ohmPerMetre(awg - 10) / ohmPerMetre(awg)).toBeCloseTo(0.1, 2);
    }
    expect(loopOhm(100_000, 24)).toBeGreaterThan(16);
  });

  it('the lifting equation in inches and pounds: 51 lb, 10/H, 1 − 0.0075 |V − 30|, 0.82 + 1.8/D (NIOSH 94-110)', () => {
    const rounded = (value: number) => Math.round(value * 100) / 100;
    for (const [reach, height, travel] of [
      [10, 30, 10],
      [15, 20, 20],
      [20, 50, 40],
    ] as const) {
      const { factors, limitKg } = recommendedLimit({
        reachCm: reach * 2.54,
        heightCm: height * 2.54,
        travelCm: travel * 2.54,
        twistDeg: 0,
        perMinute: 0.2,
        duration: 'hour',
        coupling: 'good',
      });
      // The two forms of the guide are rounded on their own: they agree to a hundredth of each factor.
      expect(Math.abs(rounded(factors.reach) - rounded(Math.min(1, 10 / reach)))).toBeLessThan(0.021);
      expect(Math.abs(factors.height - (1 - 0.0075 * Math.abs(height - 30)))).toBeLessThanOrEqual(0.01);
      expect(Math.abs(factors.travel - Math.min(1, 0.82 + 1.8 / travel))).toBeLessThanOrEqual(0.01);
      const pounds = 51 * (10 / reach) * (1 - 0.0075 * Math.abs(height - 30)) * Math.min(1, 0.82 + 1.8 / travel);
      expect(Math.abs(limitKg / 0.45359237 / pounds - 1)).toBeLessThan(0.03);
    }
  });

  it('a lifting index of 1 is at the limit, of 3 three times over it', () => {
    expect(liftingIndex(23, 23)).toBe(1);
    expect(liftingIndex(69, 23)).toBe(3);
  });

  it('supplies by grade at 20, 50 and 100 % load', () =>
    expect(supplyGrades).toEqual({
      plain: [0.8, 0.8, 0.8],
      bronze: [0.82, 0.85, 0.82],
      silver: [0.85, 0.88, 0.85],
      gold: [0.87, 0.9, 0.87],
      platinum: [0.9, 0.92, 0.89],
      titanium: [0.92, 0.94, 0.9],
    }));

  it('no voltage is ridden through for 20 ms (ITIC); double conversion takes none, the others up to 10 ms (IEC 62040-3)', () => {
    expect(rideThroughMs).toBe(20);
    expect(topologies.vfi.transferMs).toBe(0);
    for (const kind of ['vfd', 'vi'] as const) expect(topologies[kind].transferMs).toBeLessThanOrEqual(10);
  });

  it('44, 29, 18 and 11 mV an ampere and metre; 3 A over 20 m of 2.5 mm² drop 1.08 V, 0.47 % (BS 7671 Appendix 4)', () => {
    expect((['1.0', '1.5', '2.5', '4.0'] as const).map((wire) => mainsWires[wire].mvPerAm)).toEqual([44, 29, 18, 11]);
    const { volts, percent } = voltageDrop('2.5', 20_000, 3, 230);
    expect(volts).toBeCloseTo(1.08, 9);
    expect(percent).toBeCloseTo(0.47, 2);
  });

  it('30 dB in a bedroom at night (WHO 1999)', () => expect(noiseTargets.bedroom.nightDb).toBe(30));

  it('where the standard modules keep what a switch sees (RFC 2863, 3621, 3635, 4188, 4363; IEEE 802.1AB)', () => {
    const interfaces = '1.3.6.1.2.1';
    expect(TREE.operStatus).toBe(`${interfaces}.2.2.1.8`);
    expect(TREE.name).toBe(`${interfaces}.31.1.1.1.1`);
    expect(TREE.highSpeed).toBe(`${interfaces}.31.1.1.1.15`);
    expect([TREE.fcsErrors, TREE.duplex]).toEqual([`${interfaces}.10.7.2.1.3`, `${interfaces}.10.7.2.1.19`]);
    expect([TREE.basePort, TREE.learnt]).toEqual([`${interfaces}.17.1.4.1.2`, `${interfaces}.17.4.3.1.2`]);
    expect(TREE.learntByNetwork).toBe(`${interfaces}.17.7.1.2.2.1.2`);
    expect(TREE.network).toBe(`${interfaces}.17.7.1.4.5.1.1`);
    expect([TREE.poeState, TREE.poeClass]).toEqual([`${interfaces}.105.1.1.1.6`, `${interfaces}.105.1.1.1.10`]);
    expect([TREE.poeBudgetW, TREE.poeDrawnW]).toEqual([`${interfaces}.105.1.3.1.1.2`, `${interfaces}.105.1.3.1.1.4`]);
    expect(TREE.neighbour).toBe('1.0.8802.1.1.2.1.4.1.1.9');
  });
});
