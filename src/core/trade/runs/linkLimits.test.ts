import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type CordGauge, mostCords } from '../../base/standards/cordDerating';
import { cordsAllowedMm, cordsByFormulaMm, fixedAllowedMm, linkLimitMm, temperatureLoss } from './linkLimits';

/** ANSI/TIA-568.1: C = (102 − H) / (1 + D); metres. The 28 AWG column is from memory. */
const CORDS: [fixed: number, awg24: number, awg26: number, awg28: number][] = [
  [90, 10, 8, 6.15],
  [85, 14.17, 11.33, 8.72],
  [80, 18.33, 14.67, 11.28],
  [75, 22.5, 18, 13.85],
  [70, 26.67, 21.33, 16.41],
];

/** ISO/IEC 11801-1; ANSI/TIA-568.2: 90 m × (1 − p), metres. */
const WARM: [celsius: number, unscreened: number, screened: number][] = [
  [20, 90, 90],
  [25, 88.2, 89.1],
  [30, 86.4, 88.2],
  [35, 84.6, 87.3],
  [40, 82.8, 86.4],
  [45, 80.1, 85.5],
  [50, 77.4, 84.6],
  [55, 74.7, 83.7],
  [60, 72, 82.8],
];

describe('cords that go with a length of fixed cable', () => {
  it.each(CORDS)('%d m of fixed cable', (fixed, awg24, awg26, awg28) => {
    expect(cordsByFormulaMm(fixed * 1000, 24) / 1000).toBeCloseTo(awg24, 2);
    expect(cordsByFormulaMm(fixed * 1000, 26) / 1000).toBeCloseTo(awg26, 2);
    expect(cordsByFormulaMm(fixed * 1000, 28) / 1000).toBeCloseTo(awg28, 2);
  });

  it('end with the gauge however short the cable: W 22 m at 24, 17 m at 26 AWG (TIA-568.1), 15 m in all at 28 (from memory)', () => {
    // With the 5 and 4 m that the published table has in the cabinet.
    expect([24, 26, 28].map((gauge) => cordsAllowedMm(10_000, gauge as CordGauge))).toEqual([27_000, 21_000, 15_000]);
    expect(mostCords[24].outletMm).toBe(22_000);
    expect(mostCords[26].outletMm).toBe(17_000);
  });

  it('are fewer where the cable is warm: 75 m at 50 °C are 87.2 m, which leaves 12.3 m of 24 AWG', () => {
    const loss = temperatureLoss(50, false);
    expect(75 / (1 - loss)).toBeCloseTo(87.2, 1);
    expect(cordsAllowedMm(75_000, 24, loss) / 1000).toBeCloseTo(12.3, 1);
    expect(fixedAllowedMm(cordsAllowedMm(75_000, 24, loss), 24, loss)).toBeCloseTo(75_000, 3);
  });

  it('the other way round: 20 m of cords leave 72 m at 26 AWG and 78 m at 24 AWG (TIA-568.1)', () => {
    expect(fixedAllowedMm(20_000, 26)).toBeCloseTo(72_000, 6);
    expect(fixedAllowedMm(20_000, 24)).toBeCloseTo(78_000, 6);
    expect(fixedAllowedMm(1000, 24)).toBe(90_000);
  });

  it('more fixed cable never allows longer cords', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 90_000 }), fc.integer({ min: 0, max: 5000 }), (fixed, more) => {
        expect(cordsAllowedMm(fixed + more, 26)).toBeLessThanOrEqual(cordsAllowedMm(fixed, 26));
      }),
    );
  });
});

describe('warm cable reaches less far', () => {
  it.each(WARM)('at %d °C', (celsius, unscreened, screened) => {
    expect(linkLimitMm('6', celsius, false) / 1000).toBeCloseTo(unscreened, 6);
    expect(linkLimitMm('6', celsius, true) / 1000).toBeCloseTo(screened, 6);
  });

  it('45 °C unscreened: 20 × 0.4 + 5 × 0.6 = 11 %; nothing is gained below 20 °C', () => {
    expect(temperatureLoss(45, false)).toBeCloseTo(0.11, 12);
    expect(temperatureLoss(-5, false)).toBe(0);
  });

  it('Cat 8 has a permanent link of 24 m (ANSI/TIA-568.2-D)', () => {
    expect(linkLimitMm('8', 20, true, 25_000)).toBe(24_000);
    // Up to 10 Gb/s it is a link of Cat 6A, and as long.
    expect([10_000, 1000, null].map((speed) => linkLimitMm('8', 20, true, speed))).toEqual([90_000, 90_000, 90_000]);
  });
});
