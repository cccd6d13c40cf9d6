import { describe, expect, it } from 'vitest';
import { cableCategory } from '../../trade/runs/cableCategory';
import { CATEGORIES, reachFor } from './categoryReach';

/** Channel lengths in metres by ANSI/TIA-568.2-D and IEEE 802.3 clauses 40, 55, 113 and 126. */
const TABLE: [category: (typeof CATEGORIES)[number], mbps: number, metres: number][] = [
  ['5e', 1000, 100],
  ['5e', 2500, 100],
  ['5e', 10_000, 0],
  ['6', 1000, 100],
  ['6', 2500, 100],
  ['6A', 10_000, 100],
  ['7', 10_000, 100],
  ['7A', 10_000, 100],
  ['6A', 25_000, 0],
  ['8', 25_000, 30],
  ['8', 40_000, 30],
];

describe('category reach', () => {
  it.each(TABLE)('Cat %s carries %i Mb/s over %i m', (category, mbps, metres) => {
    expect(reachFor(category, mbps)?.sureMm).toBe(metres * 1000);
  });

  it('knows 10 Gb/s over Cat 6 as sure to 37 m and possible to 55 m (TSB-155-A, from memory)', () => {
    expect(reachFor('6', 10_000)).toMatchObject({
      sureMm: 37_000,
      perhapsMm: 55_000,
      source: { mark: 'from memory' },
    });
  });

  it('reads a slow speed as gigabit, one in between as the next, and one beyond the table as none', () => {
    expect(reachFor('5e', 100)?.speedMbps).toBe(1000);
    expect(reachFor('6A', 3000)?.speedMbps).toBe(5000);
    expect(reachFor('8', 100_000)).toBeNull();
  });

  it('lists speeds in order for every category', () => {
    for (const category of CATEGORIES) {
      const speeds = [1000, 2500, 5000, 10_000, 25_000, 40_000];
      expect(speeds.map((speed) => reachFor(category, speed)?.speedMbps)).toEqual(speeds);
    }
  });
});

describe('category of a cable', () => {
  it.each([
    ['Cat 6 U/UTP', '6'],
    ['Cat 6A F/UTP', '6A'],
    ['Cat 6 outdoor', '6'],
    ['cat5e', '5e'],
    ['Category 7A S/FTP', '7A'],
    ['Cat. 8.1', '8'],
    ['OM3 duplex LC', null],
    ['RG-6', null],
    ['', null],
    ['Catalogue 6', null],
    ['Cat 60', null],
  ])('%s is %s', (cable, expected) => {
    expect(cableCategory(cable)).toBe(expected);
  });
});
