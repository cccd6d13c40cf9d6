import { describe, expect, it } from 'vitest';
import { poeClasses } from '../../base/standards/poeClasses';
import { amperes, mainsForPoeW } from './mainsCurrent';
import { deviceWattsOf, drawnWattsOf, poeClassFor, poeClassOf, portWattsFor, portWattsOf, takesPower } from './poe';

/** IEEE 802.3: least voltage at the port and loop resistance of a pairset that each class is reckoned with. */
const FEED: Record<number, { volts: number; ohms: number }> = {
  1: { volts: 44, ohms: 20 },
  2: { volts: 44, ohms: 20 },
  3: { volts: 44, ohms: 20 },
  4: { volts: 50, ohms: 12.5 },
  5: { volts: 50, ohms: 6.25 },
  6: { volts: 50, ohms: 6.25 },
  7: { volts: 52, ohms: 6.25 },
  8: { volts: 52, ohms: 6.25 },
};

describe('power classes (IEEE 802.3-2022 clauses 33 and 145)', () => {
  it.each(poeClasses)('class $class: what the port supplies is what the device draws and the cable loses', (row) => {
    const { volts, ohms } = FEED[row.class] ?? { volts: 0, ohms: 1 };
    const amps = (volts - Math.sqrt(volts ** 2 - 4 * ohms * row.pdW)) / (2 * ohms);
    expect(Math.abs(volts * amps - row.pseW)).toBeLessThan(0.1);
  });

  it('supplies 15.4, 30, 60 and 90 W at the tops of types 1 to 4', () => {
    expect([3, 4, 6, 8].map((wanted) => poeClasses.find((row) => row.class === wanted)?.pseW)).toEqual([
      15.4, 30, 60, 90,
    ]);
  });

  it.each([
    [3.84, 1],
    [3.85, 2],
    [6.49, 2],
    [12.95, 3],
    [25.5, 4],
    [25.6, 5],
    [40, 5],
    [51, 6],
    [62, 7],
    [71.3, 8],
  ])('puts a device of %d W into class %i', (watts, expected) => {
    expect(poeClassFor(watts)).toMatchObject({ class: expected });
  });

  it('knows no power and too much power', () => {
    expect(poeClassFor(0)).toBeNull();
    expect(poeClassFor(71.4)).toBe('beyond');
    expect(portWattsFor(0)).toBe(0);
    expect(portWattsFor(100)).toBe(Number.POSITIVE_INFINITY);
  });

  it('adds up a budget by class: 8 of class 3, 4 of class 4, 2 of class 6 make 363.2 W (arithmetic)', () => {
    const devices = [...Array(8).fill(12), ...Array(4).fill(20), ...Array(2).fill(50)];
    expect(devices.reduce((sum: number, watts) => sum + portWattsFor(watts), 0)).toBeCloseTo(363.2, 6);
  });
});

describe('the class of a device', () => {
  const takes = (poeW: number, poeClass: number | null = null) => ({ poeW, poeClass });

  it('of class 0, or of none that is known, sets aside what class 3 does: 15.4 W (IEEE 802.3-2022, 33.2.7)', () => {
    expect([takes(5), takes(5, 0), takes(0, 0), takes(5, 3)].map(portWattsOf)).toEqual([15.4, 15.4, 15.4, 15.4]);
    // Eight devices of 5 W: 56 W where each is class 2, 123.2 W where nobody knows.
    const eight = (poeClass: number | null) => 8 * portWattsOf(takes(5, poeClass));
    expect([eight(2), eight(null), eight(0)].map((sum) => Number(sum.toFixed(1)))).toEqual([56, 123.2, 123.2]);
  });

  it('is its own where it is known, and what it draws where that is more', () => {
    expect(poeClassOf(takes(3, 1))).toMatchObject({ class: 1, pseW: 4 });
    expect(poeClassOf(takes(20, 2))).toMatchObject({ class: 4 });
    expect(poeClassOf(takes(80, 8))).toBe('beyond');
    expect(poeClassOf(takes(0))).toBeNull();
    expect([takes(0), takes(0, 4)].map(takesPower)).toEqual([false, true]);
    expect([takes(0, 4), takes(7, 4), takes(0)].map(deviceWattsOf)).toEqual([25.5, 7, 0]);
    // By draw, with the loss of its class: 6 × 7 / 6.49.
    expect(drawnWattsOf(takes(6, 2))).toBeCloseTo(6.47, 2);
  });
});

describe('current at the mains', () => {
  it('counts the power factor: 419 W at 230 V are 1.82 A, 1.92 A at 0.95, 3.04 A at 0.6 (physics)', () => {
    expect([1, 0.95, 0.6].map((factor) => Number(amperes(419, 230, factor).toFixed(2)))).toEqual([1.82, 1.92, 3.04]);
  });

  it('is planned with 0.6 below 75 W and 0.9 above where nothing is known (common practice, no source)', () => {
    expect(amperes(54, 120)).toBeCloseTo(54 / 120 / 0.6, 9);
    expect(amperes(90, 120)).toBeCloseTo(90 / 120 / 0.9, 9);
  });

  it('counts cable loss and supply for what leaves the ports: 200 + 8 W at 0.88 are 236 W (energy balance)', () => {
    expect(mainsForPoeW(208, 0.88)).toBeCloseTo(236.4, 1);
    expect(mainsForPoeW(85)).toBeCloseTo(100, 9);
  });
});
