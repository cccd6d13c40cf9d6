import { describe, expect, it } from 'vitest';
import { channelLoopOhm } from '../../base/standards/copperWire';
import { gaugeDiameterMm, loopOhm, ohmPerMetre } from './copperWire';
import { feedOhm, feedThrough, runFeed } from './poeFeed';

/** ASTM B258 and IEC 60028, solid copper at 20 °C: diameter mm, mΩ/m of one conductor, loop Ω/100 m at 20, 40 and 60 °C. */
const WIRES: [awg: number, mm: number, milliohm: number, loop20: number, loop40: number, loop60: number][] = [
  [22, 0.6438, 52.96, 10.59, 11.43, 12.26],
  [23, 0.5733, 66.78, 13.36, 14.41, 15.46],
  [24, 0.5106, 84.21, 16.84, 18.17, 19.49],
  [25, 0.4547, 106.19, 21.24, 22.91, 24.58],
  [26, 0.4049, 133.9, 26.78, 28.89, 30.99],
  [27, 0.3606, 168.85, 33.77, 36.42, 39.08],
  [28, 0.3211, 212.92, 42.58, 45.93, 49.28],
];

describe('copper wire', () => {
  it.each(WIRES)('AWG %d', (awg, mm, milliohm, loop20, loop40, loop60) => {
    expect(gaugeDiameterMm(awg)).toBeCloseTo(mm, 4);
    expect(ohmPerMetre(awg) * 1000).toBeCloseTo(milliohm, 1);
    expect(loopOhm(100_000, awg)).toBeCloseTo(loop20, 1);
    expect(loopOhm(100_000, awg, 40)).toBeCloseTo(loop40, 1);
    expect(loopOhm(100_000, awg, 60)).toBeCloseTo(loop60, 1);
  });

  it('75 m of 23 AWG at 40 °C has a loop of 10.81 Ω (ASTM B258; IEC 60028)', () => {
    expect(loopOhm(75_000, 23, 40)).toBeCloseTo(10.81, 2);
  });

  it('90 m of 24 AWG and 10 m of 26 AWG make 17.84 Ω at 20 °C and 20.64 Ω at 60 °C, under 25 Ω', () => {
    const channel = (celsius: number) => loopOhm(90_000, 24, celsius) + loopOhm(10_000, 26, celsius);
    expect(channel(20)).toBeCloseTo(17.84, 2);
    expect(channel(60)).toBeCloseTo(20.64, 2);
    expect(channel(60)).toBeLessThan(25);
    // ISO/IEC 11801-1; ANSI/TIA-568.2-D.
    expect(channelLoopOhm).toBe(25);
  });
});

/** IEEE 802.3-2022 clauses 33 and 145, worst case: V at the port, Ω, W at the device, and A, V, W lost, W at the port. */
const WORST: [
  name: string,
  v: number,
  ohm: number,
  w: number,
  a: number,
  deviceV: number,
  loss: number,
  port: number,
][] = [
  ['class 1', 44, 20, 3.84, 0.091, 42.18, 0.17, 4.01],
  ['class 2', 44, 20, 6.49, 0.159, 40.82, 0.51, 7],
  ['class 3', 44, 20, 12.95, 0.35, 37, 2.45, 15.4],
  ['class 4', 50, 12.5, 25.5, 0.6, 42.5, 4.5, 30],
  ['class 5', 50, 6.25, 40, 0.9016, 44.36, 5.08, 45.08],
  ['class 6', 50, 6.25, 51, 1.2, 42.5, 9, 60],
  ['class 7', 52, 6.25, 62, 1.4424, 42.99, 13, 75],
  ['class 8', 52, 6.25, 71.3, 1.7315, 41.18, 18.74, 90.04],
];

/** The same formula at 54 V over 100 m of copper at 20 °C: watts, pairs, then loss W and device V at 24 and 23 AWG. */
const USUAL: [w: number, pairs: 2 | 4, loss24: number, v24: number, loss23: number, v23: number][] = [
  [12.95, 2, 0.52, 51.9, 0.41, 52.3],
  [25.5, 2, 2.22, 49.7, 1.69, 50.6],
  [25.5, 4, 1.02, 51.9, 0.79, 52.4],
  [51, 4, 4.44, 49.7, 3.39, 50.6],
  [71.3, 4, 9.4, 47.7, 7.02, 49.2],
];

describe('power over a run', () => {
  it.each(WORST)('%s at its worst', (_, v, ohm, w, a, deviceV, loss, port) => {
    const feed = feedThrough(v, ohm, w);
    expect(feed?.amps).toBeCloseTo(a, 3);
    expect(feed?.deviceV).toBeCloseTo(deviceV, 1);
    expect(feed?.lossW).toBeCloseTo(loss, 1);
    expect(feed?.portW).toBeCloseTo(port, 1);
  });

  it.each(USUAL)('%d W over %d pairs at 54 V', (w, pairs, loss24, v24, loss23, v23) => {
    for (const [awg, loss, volts] of [
      [24, loss24, v24],
      [23, loss23, v23],
    ] as const) {
      const feed = feedThrough(54, feedOhm(loopOhm(100_000, awg), pairs), w);
      expect(feed?.lossW).toBeCloseTo(loss, 1);
      expect(feed?.deviceV).toBeCloseTo(volts, 1);
    }
  });

  it('a loop of 25 Ω brings every class what it needs, and much more copper does not', () => {
    for (const watts of [3.84, 6.49, 12.95, 25.5, 40, 51, 62, 71.3]) {
      const feed = runFeed(watts, 25);
      expect(feed).not.toBe('beyond');
      if (feed && feed !== 'beyond') expect(feed.deviceV).toBeGreaterThanOrEqual(feed.leastDeviceV - 0.06);
    }
    expect(runFeed(25.5, 120)).toBe('beyond');
    expect(runFeed(0, 25)).toBeNull();
    expect(runFeed(80, 1)).toBe('beyond');
  });
});
