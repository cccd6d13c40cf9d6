import { describe, expect, it } from 'vitest';
import { poeClasses } from '../standards/poeClasses';
import { poeClassFor, portWattsFor } from './poe';

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
