import { describe, expect, it } from 'vitest';
import { bench, patched } from '../../../../tests/support/jobs';
import { findSnags } from '../../findings/snags/findSnags';
import type { Run } from '../../job/records/run';
import { copperLandings } from '../../trade/panels/copperLandings';
import { jackFor } from '../../trade/panels/jacks';
import { limitLoopOhm } from '../../trade/power/copperWire';
import { drawnWattsFor } from '../../trade/power/poe';
import { CABLE_LIBRARY } from '../../trade/runs/cableKinds';
import { linkLimitMm } from '../../trade/runs/linkLimits';
import { cautionsFor } from '../../trade/survey/cautions';
import { categoryReach } from './categoryReach';
import { consolidationLeastMm } from './copperLengths';
import { mostCords } from './cordDerating';
import { goodput } from './ethernetRates';
import { directAttach, modules } from './links';
import { conduitRules, fillShares, plannedShare } from './pathwayRules';
import { pinouts } from './pinout';
import { poeFeed } from './poeFeed';
import { leadHoleShare, specificGravity } from './withdrawal';

/**
 * Rows of published values that the program reckons with, each by the function that uses it. Values that no function uses
 * yet (colours of jackets and fibres, delay and skew, symbol rates, detection and class currents, classes of
 * administration, frames a second) come with what will use them.
 */
describe('published values, by what uses them', () => {
  it('Cat 8 above 10 Gb/s: permanent link 24 m (ANSI/TIA-568.2-D; IEEE 802.3 clause 113)', () => {
    expect(linkLimitMm('8', 20, false, 25_000)).toBe(24_000);
    expect(linkLimitMm('8', 20, false, 10_000)).toBe(90_000);
  });

  it('cords at the outlet at most: 22 m of 24 AWG, 17 m of 26 AWG (ANSI/TIA-568.1)', () => {
    expect([mostCords[24].outletMm, mostCords[26].outletMm]).toEqual([22_000, 17_000]);
  });

  it('a consolidation point stands 15 m or more from its panel (ANSI/TIA-568.1)', () => {
    expect(consolidationLeastMm).toBe(15_000);
  });

  it('clauses of the speeds (IEEE 802.3): 40, 55, 113, 126', () => {
    const clause = (speedMbps: number, category: keyof typeof categoryReach = '6A') =>
      categoryReach[category].find((row) => row.speedMbps === speedMbps)?.source.title ?? '';
    expect(clause(1000)).toContain('40');
    expect(clause(2500)).toContain('126');
    expect(clause(5000)).toContain('126');
    expect(clause(10_000)).toContain('55');
    expect(clause(25_000, '8')).toContain('113');
  });

  it('a Cat 7 cable on eight-pole jacks makes Cat 6A at best (IEC 60603-7)', () => {
    const job = patched(bench({ 1: { carries: 'ethernet', cable: 'Cat 7 S/FTP' } }), '1');
    const [landing] = copperLandings(job);
    expect(landing && jackFor(job, landing.run as Run, landing.port).category).toBe('6A');
  });

  it('4-pair cable bends at 4 × its diameter (ANSI/TIA-568.0)', () => {
    const pairs = CABLE_LIBRARY.filter((kind) => kind.carries === 'ethernet');
    expect(new Set(pairs.map((kind) => kind.bendFactor))).toEqual(new Set([4]));
  });

  it('9.38 ohm for 100 m of conductor: 18.76 ohm there and back (ANSI/TIA-568.2)', () => {
    expect(limitLoopOhm(100_000, 24)).toBeCloseTo(18.76, 10);
  });

  it('pairs: 1-2, 3-6, 4-5, 7-8, whichever wiring (ANSI/TIA-568.0; IEEE 802.3 clause 40)', () => {
    for (const wiring of ['A', 'B'] as const) {
      const pairs = new Map<number, number[]>();
      for (const { pin, pair } of pinouts[wiring]) pairs.set(pair, [...(pairs.get(pair) ?? []), pin]);
      expect([...pairs.values()].map((pins) => pins.join('-')).sort()).toEqual(['1-2', '3-6', '4-5', '7-8']);
    }
  });

  it('pairset currents: 350, 600, 600 and 960 mA (IEEE 802.3 clauses 33 and 145)', () => {
    expect(poeFeed.map((row) => row.pairsetA)).toEqual([0.35, 0.6, 0.6, 0.96]);
  });

  it('four cameras of 6 W and three access points of 18 W draw 78 W, and their cables more', () => {
    const devices = [6, 6, 6, 6, 18, 18, 18];
    expect(devices.reduce((sum, watts) => sum + watts, 0)).toBe(78);
    const drawn = devices.reduce((sum, watts) => sum + drawnWattsFor(watts), 0);
    // Class 2 of 6.49 W is given 7 W, class 4 of 25.5 W is given 30.
    expect(drawn).toBeCloseTo((24 * 7) / 6.49 + (54 * 30) / 25.5, 9);
  });

  it('copper-clad aluminium is no cable for data or power (ANSI/TIA-568; IEEE 802.3)', () => {
    const job = bench({ 1: { carries: 'ethernet', cable: 'Cat 5e CCA', device: 'camera', poeW: 6 } });
    const [snag] = findSnags(job).filter((one) => one.rule === 'cable-cannot-carry');
    expect(snag).toMatchObject({ grade: 'wont-work', what: expect.stringContaining('copper-clad aluminium') });
  });

  it('fill: 40 % where no code binds (ANSI/TIA-569), trunking 45 % (IET On-Site Guide, for power cable)', () => {
    expect([plannedShare.share, fillShares.trunking]).toEqual([0.4, 0.45]);
    // 360° between pull points by NFPA 70; 180° by ANSI/TIA-569, which is stricter and holds here.
    expect(conduitRules.mostBendsBetweenPulls * 90).toBeLessThanOrEqual(360);
  });

  it('wood (NDS table 12.3.3A, 12.1.4): the gravities of all species, lead holes by gravity', () => {
    expect(specificGravity).toEqual({
      'douglas-fir-larch': 0.5,
      'southern-pine': 0.55,
      'hem-fir': 0.43,
      'spruce-pine-fir': 0.42,
      'spruce-pine-fir-south': 0.36,
      'western-cedars': 0.36,
      'red-oak': 0.67,
    });
    expect(leadHoleShare(0.67).least).toBeGreaterThan(leadHoleShare(0.42).least);
  });

  it('before an electrical panel 900 × 762 mm, 2.0 m high, stay clear (NFPA 70 110.26); 100 mm stick out (ADA 307.2)', () => {
    const job = bench({}, {}, { standing: 'wall' });
    const words = (rules: 'north-america' | 'europe') =>
      cautionsFor({ ...job, rules })
        .map((one) => one.words)
        .join(' ');
    expect(words('north-america')).toMatch(/900 mm \(3 ft\) deep, 762 mm \(30 in\) wide, 2\.0 m \(6\.5 ft\) high/);
    expect(words('north-america')).toMatch(/27 and 80 in .* 4 in \(100 mm\)/);
    expect(words('europe')).not.toMatch(/762 mm|80 in/);
  });

  it('reach of modules and of direct-attach (IEEE 802.3)', () => {
    const reach = (name: string) => modules.find((one) => one.name === name)?.reachMm;
    expect(reach('1000BASE-LX')?.OS2).toBe(5_000_000);
    expect(reach('10GBASE-LR')?.OS2).toBe(10_000_000);
    expect(['25GBASE-SR', '40GBASE-SR4', '100GBASE-SR4'].map((name) => [reach(name)?.OM3, reach(name)?.OM4])).toEqual([
      [70_000, 100_000],
      [100_000, 150_000],
      [70_000, 100_000],
    ]);
    const attach = (speedMbps: number) => directAttach.find((one) => one.speedMbps === speedMbps);
    expect([attach(25_000)?.plainMm, attach(25_000)?.mostMm]).toEqual([3000, 5000]);
    expect([attach(40_000)?.mostMm, attach(100_000)?.mostMm]).toEqual([7000, 5000]);
  });

  it('data at 1 Gb/s over TCP with timestamps: 941.5 of 1000 Mb/s (RFC 7323: arithmetic)', () => {
    expect(goodput(1000)).toBeCloseTo((1000 * 1448) / 1538, 9);
    expect(goodput(1000)).toBeCloseTo(941.5, 1);
  });
});
