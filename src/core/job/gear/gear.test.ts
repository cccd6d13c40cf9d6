import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CONNECTORS } from '../../base/standards/connectors';
import { Gear, PortGroup } from '../records/gear';
import { frontWidthMm, ownW } from './body';
import { freeGearName, gearLibrary, starterGear } from './library';
import { portLayout } from './portLayout';
import { parsePortPattern, portPattern } from './portPattern';

describe('ports from a line', () => {
  it('reads groups with count, connector, speed, power and rows', () => {
    expect(parsePortPattern('24×RJ45 1G PoE+ 2 rows; 4×SFP+')).toEqual([
      PortGroup.parse({ count: 24, connector: 'rj45', speedMbps: 1000, poeW: 30, rows: 2 }),
      PortGroup.parse({ count: 4, connector: 'sfp+', speedMbps: 10_000 }),
    ]);
    expect(parsePortPattern('1 x rj45 2.5G internet; 8*RJ45 60W rear pitch 16 mm at 120mm')).toEqual([
      PortGroup.parse({ count: 1, connector: 'rj45', speedMbps: 2500, use: 'internet' }),
      PortGroup.parse({ count: 8, connector: 'rj45', speedMbps: 1000, poeW: 60, side: 'rear', pitchMm: 16, xMm: 120 }),
    ]);
    expect(parsePortPattern('')).toEqual([]);
    expect(parsePortPattern('24×keystone', false)[0]?.speedMbps).toBeNull();
  });

  it.each([
    ['RJ45', 'Port group 1, “RJ45”: expected a count and a connector, such as 24×RJ45.'],
    ['8×RJ45; 4×SFQ', 'Port group 2, “4×SFQ”: expected one of RJ45, KEYSTONE'],
    ['8×RJ45 fast', '“fast” is not understood'],
    ['500×RJ45', 'count: expected at most 96'],
    ['8×RJ45 pitch wide', 'expected millimetres behind pitch'],
    ['8×RJ45 400W', 'poeW: expected at most 100'],
  ])('says what is wrong with %s', (text, expected) => {
    expect(() => parsePortPattern(text)).toThrow(expected);
  });

  it('writes what it reads', () => {
    const group = fc.record({
      count: fc.integer({ min: 1, max: 96 }),
      connector: fc.constantFrom(...CONNECTORS),
      poeW: fc.constantFrom(0, 15.4, 30, 60, 90),
      rows: fc.constantFrom(null, 1, 2, 4),
      pitchMm: fc.constantFrom(null, 14, 17.5),
      xMm: fc.constantFrom(null, 0, 120),
      side: fc.constantFrom('front' as const, 'rear' as const),
      use: fc.constantFrom('access' as const, 'internet' as const),
    });
    const speeds: Record<string, number | null> = { keystone: null, lc: null, sc: null, f: null };
    fc.assert(
      fc.property(
        fc.array(group, { maxLength: 5 }),
        fc.constantFrom(100, 1000, 2500, 10_000, 25_000),
        (groups, speedMbps) => {
          const ports = groups.map((one) =>
            PortGroup.parse({ ...one, speedMbps: one.connector in speeds ? null : speedMbps }),
          );
          expect(parsePortPattern(portPattern(ports))).toEqual(ports);
        },
      ),
    );
  });
});

describe('the library', () => {
  it('has sixty entries and more, each with a name of its own and what its kind needs', () => {
    expect(gearLibrary().length).toBeGreaterThanOrEqual(60);
    expect(new Set(gearLibrary().map((entry) => entry.name.toLowerCase())).size).toBe(gearLibrary().length);
    const kinds = new Set(gearLibrary().map((entry) => entry.kind));
    for (const kind of [
      'switch',
      'router',
      'panel',
      'recorder',
      'storage',
      'server',
      'ups',
      'distribution',
      'shelf',
      'drawer',
      'manager',
      'brush',
      'blank',
      'fan',
      'kit',
      'cassette',
      'modem',
      'computer',
      'injector',
    ] as const) {
      expect(kinds).toContain(kind);
    }
    for (const entry of gearLibrary()) {
      if (entry.frame === 'free')
        expect(entry.widthMm !== null && entry.heightMm !== null && entry.ears === 'none').toBe(true);
      if (entry.kind === 'kit') expect(entry.bays).toBeGreaterThanOrEqual(2);
      if (entry.inlet !== 'none') expect(entry.inlets).toBeGreaterThanOrEqual(1);
      if (entry.idleW !== null) expect(entry.idleW).toBeLessThanOrEqual(ownW(entry) ?? 0);
    }
  });

  it('draws every port within the front or rear of its device, none over another', () => {
    for (const entry of gearLibrary()) {
      const gear = Gear.parse({ ...entry, id: 'g' });
      const boxes = portLayout(gear);
      for (const box of boxes) {
        expect(box.x).toBeGreaterThanOrEqual(0);
        expect(box.x + box.width).toBeLessThanOrEqual(frontWidthMm(gear) + 1e-6);
      }
      for (const [at, a] of boxes.entries()) {
        for (const b of boxes.slice(at + 1)) {
          const apart =
            a.side !== b.side ||
            a.x + a.width <= b.x + 1e-6 ||
            b.x + b.width <= a.x + 1e-6 ||
            a.y + a.height <= b.y ||
            b.y + b.height <= a.y;
          expect(apart, `${gear.name} ${a.number} ${b.number}`).toBe(true);
        }
      }
    }
  });

  it('begins a job with entries that are there', () => expect(starterGear).not.toContain(-1));

  it('gives a name that is free', () => expect(freeGearName('A', ['a', 'A (2)'])).toBe('A (3)'));
});
