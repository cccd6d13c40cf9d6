import { describe, expect, it } from 'vitest';
import { noiseTargets } from '../../../base/standards/noise';
import { byDistance, fanAt, fromBels, powerFromPressure, pressureFromPower, pressureIn, soundSum } from './sound';

describe('sound', () => {
  it.each([
    [[50, 50], 53.01],
    [Array.from({ length: 10 }, () => 30), 40],
    [[40, 35], 41.19],
    [[38, 38, 32], 41.52],
  ])('%j make %f dB (acoustics)', (levels, sum) => expect(soundSum(levels)).toBeCloseTo(sum, 2));

  it('nothing makes no sound', () => expect(soundSum([])).toBe(Number.NEGATIVE_INFINITY));

  it('twice as far is 6.02 dB less in the open (acoustics)', () => {
    expect(byDistance(1000, 2000)).toBeCloseTo(-6.02, 2);
    const [near, far] = [1000, 2000].map((distance) => pressureIn(60, distance, null, 2));
    expect((far ?? 0) - (near ?? 0)).toBeCloseTo(-6.02, 2);
  });

  it('45 dB of power are 39.9 dB at 2 m in a room of 15 m² (acoustics)', () => {
    expect(pressureIn(45, 2000, 15, 2)).toBeCloseTo(39.9, 1);
  });

  it('pressure at a metre over a floor is power less 8 dB, and back (acoustics)', () => {
    expect(pressureFromPower(50)).toBe(42);
    expect(powerFromPressure(pressureFromPower(50))).toBe(50);
    expect(pressureIn(50, 1000, null, 2)).toBeCloseTo(pressureFromPower(50), 1);
  });

  it('5.2 bels are 52 dB (ISO 9296)', () => expect(fromBels(5.2)).toBe(52));

  it('a fan at half its speed: half the air, a quarter of the pressure, an eighth of the power (fan laws), 15 dB less', () => {
    const half = fanAt(0.5);
    expect([half.flow, half.pressure, half.power]).toEqual([0.5, 0.25, 0.125]);
    expect(half.noiseDb).toBeCloseTo(-15.05, 2);
  });

  it('bedrooms at night 30 dB (WHO 1999), quiet offices 35 to 40 (rule of thumb)', () => {
    expect(noiseTargets.bedroom.nightDb).toBe(30);
    expect(noiseTargets.office.dayDb).toBeGreaterThanOrEqual(35);
    expect(noiseTargets.office.dayDb).toBeLessThanOrEqual(40);
  });
});
