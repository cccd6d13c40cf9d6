import { describe, expect, it } from 'vitest';
import { pullNewton } from './cableHandling';
import { copperLengths } from './copperLengths';
import { cableLimitOhm, channelLoopOhm, copper } from './copperWire';
import { cordDerating, cordRule } from './cordDerating';
import { untwistMm } from './landing';
import { couplingFactor, frequencyFactor, liftingConstants, liftingFilter, teamShare } from './lifting';
import { fibreLoss } from './links';
import { mainsLeastMm } from './mainsSeparation';
import { conduitRules, fillShares, supportRules } from './pathwayRules';
import { poeClasses } from './poeClasses';
import { frameWidths, rackDimensions } from './rackDimensions';
import { temperatureDerating } from './temperatureDerating';
import { specificGravity } from './withdrawal';

/** Values as they are printed, written out once more: a slip of a digit in a table is found here. */
describe('published values', () => {
  it('of copper links: ANSI/TIA-568.0, 568.1, 568.2; ISO/IEC 11801-1', () => {
    expect([copperLengths.permanentLinkMm, copperLengths.channelMm]).toEqual([90_000, 100_000]);
    expect([cordRule.sumMm, cordRule.fixedMm]).toEqual([102_000, 90_000]);
    expect([cordDerating[24].share, cordDerating[26].share]).toEqual([0.2, 0.5]);
    expect(untwistMm).toEqual({ category5eAndUp: 13, category3: 75 });
    expect(pullNewton).toBe(110);
    expect([channelLoopOhm, cableLimitOhm]).toEqual([25, 9.38]);
    expect(temperatureDerating).toMatchObject({
      fromC: 20,
      kneeC: 40,
      toC: 60,
      unscreened: { belowKnee: 0.004, aboveKnee: 0.006 },
      screened: { belowKnee: 0.002, aboveKnee: 0.002 },
    });
  });

  it('of copper: IEC 60028', () => {
    expect(copper).toEqual({ ohmMm2PerM: 0.017241, perKelvin: 0.00393, atC: 20 });
  });

  it('of fibre: ANSI/TIA-568.3', () => {
    expect(fibreLoss).toMatchObject({ matedPairDb: 0.75, spliceDb: 0.3, multiPerKmDb: 3.5, singleIndoorPerKmDb: 1 });
  });

  it('of power classes: IEEE 802.3-2022, clauses 33 and 145', () => {
    expect(poeClasses.map((row) => [row.class, row.pseW, row.pdW, row.pairs])).toEqual([
      [1, 4, 3.84, 2],
      [2, 7, 6.49, 2],
      [3, 15.4, 12.95, 2],
      [4, 30, 25.5, 2],
      [5, 45, 40, 4],
      [6, 60, 51, 4],
      [7, 75, 62, 4],
      [8, 90, 71.3, 4],
    ]);
  });

  it('of pathways: NFPA 70 Chapter 9 Table 1 and 800.133(A); ANSI/TIA-569', () => {
    expect(fillShares.conduit).toEqual({ one: 0.53, two: 0.31, more: 0.4 });
    expect(fillShares.nipple).toEqual({ mostMm: 600, share: 0.6 });
    expect([conduitRules.mostBendsBetweenPulls, conduitRules.mostBetweenPullsMm]).toEqual([2, 30_000]);
    expect(conduitRules.bend).toMatchObject({ factor: 6, above: 10, fibre: 10 });
    expect(supportRules).toEqual({ mostApartMm: 1500, leastApartMm: 1200 });
    expect(mainsLeastMm).toBe(50);
  });

  it('of racks: EIA/ECA-310-E; IEC 60297-3-100', () => {
    expect(rackDimensions).toMatchObject({ unitMm: 44.45, holeOffsetsMm: [6.35, 22.225, 38.1] });
    expect(frameWidths['19-inch']).toEqual({ panelMm: 482.6, holesApartMm: 465.1, openingMm: 450 });
  });

  it('of wood: NDS-2018 table 12.3.3A', () => {
    expect(specificGravity).toMatchObject({
      'douglas-fir-larch': 0.5,
      'southern-pine': 0.55,
      'hem-fir': 0.43,
      'spruce-pine-fir': 0.42,
    });
  });

  it('of lifting: NIOSH 94-110', () => {
    expect(liftingConstants).toEqual({
      loadKg: 23,
      reachCm: 25,
      mostReachCm: 63,
      heightCm: 75,
      mostHeightCm: 175,
      leastTravelCm: 25,
      mostTravelCm: 175,
      mostTwistDeg: 135,
    });
    expect([couplingFactor('good', 20), couplingFactor('fair', 20), couplingFactor('fair', 75)]).toEqual([1, 0.95, 1]);
    expect([couplingFactor('poor', 20), couplingFactor('poor', 100)]).toEqual([0.9, 0.9]);
    const rates = [0.2, 0.5, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 15];
    expect(rates.map((rate) => frequencyFactor(rate, 'hour', 60))).toEqual([
      1, 0.97, 0.94, 0.91, 0.88, 0.84, 0.8, 0.75, 0.7, 0.6, 0.52, 0.45, 0.41, 0.37, 0, 0,
    ]);
    expect(rates.map((rate) => frequencyFactor(rate, 'two hours', 80))).toEqual([
      0.95, 0.92, 0.88, 0.84, 0.79, 0.72, 0.6, 0.5, 0.42, 0.35, 0.3, 0.26, 0.23, 0.21, 0, 0,
    ]);
    expect(rates.map((rate) => frequencyFactor(rate, 'eight hours', 80))).toEqual([
      0.85, 0.81, 0.75, 0.65, 0.55, 0.45, 0.35, 0.27, 0.22, 0.18, 0.15, 0.13, 0, 0, 0, 0,
    ]);
  });

  it('of the filter for lifting and of teams: HSE INDG143, L23', () => {
    const figures = (who: 'men' | 'women') => liftingFilter[who].map(({ close, arms }) => [close, arms]);
    expect(figures('men')).toEqual([
      [10, 5],
      [20, 10],
      [25, 15],
      [20, 10],
      [10, 5],
    ]);
    expect(figures('women')).toEqual([
      [7, 3],
      [13, 7],
      [16, 10],
      [13, 7],
      [7, 3],
    ]);
    expect(teamShare[2]).toBeCloseTo(2 / 3, 12);
    expect(teamShare[3]).toBe(0.5);
  });
});
