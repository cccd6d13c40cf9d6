import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatLength, formatSize, lengthToField, parseLength, parseSize, sizeToField, UNITS } from '../units/length';
import { expandLabels } from './labelPattern';
import { naturalOrder } from './naturalOrder';
import { formatSpeed } from './speed';

describe('label patterns', () => {
  it('spells out a range with its width', () => {
    expect(expandLabels('GF-{01..12}')).toHaveLength(12);
    expect(expandLabels('GF-{08..10}b')).toEqual(['GF-08b', 'GF-09b', 'GF-10b']);
    expect(expandLabels('{8..10}')).toEqual(['8', '9', '10']);
    expect(expandLabels('TV1')).toEqual(['TV1']);
  });

  it.each([
    ['{5..1}', 'backwards'],
    ['{1..9}-{1..9}', 'two ranges'],
    ['{1..99999}', 'over 2000'],
  ])('refuses %s', (pattern, words) => {
    expect(() => expandLabels(pattern)).toThrow(words);
  });
});

describe('natural order', () => {
  it('reads numbers as numbers', () => {
    expect(['TV1', '10', 'F1', '9', 'GF-10', 'GF-2', '01'].sort(naturalOrder)).toEqual([
      '01',
      '9',
      '10',
      'F1',
      'GF-2',
      'GF-10',
      'TV1',
    ]);
  });

  it('is a total order', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), fc.string(), (a, b, c) => {
        expect(Math.sign(naturalOrder(a, b)) + Math.sign(naturalOrder(b, a))).toBe(0);
        expect(naturalOrder(a, b) === 0).toBe(a === b);
        if (naturalOrder(a, b) <= 0 && naturalOrder(b, c) <= 0) expect(naturalOrder(a, c)).toBeLessThanOrEqual(0);
      }),
    );
  });
});

describe('lengths (1 inch is 25.4 mm by definition)', () => {
  it.each([
    ['22.5', 'm', 22_500],
    ['22,5', 'm', 22_500],
    ['74 ft', 'm', 22_555],
    ['900mm', 'm', 900],
    ['17.75', 'in', 451],
    ['10', 'ft', 3048],
    ['.5', 'm', 500],
  ] as const)('reads %s with plain %s as %i mm', (text, plain, mm) => {
    expect(parseLength(text, plain)).toBe(mm);
  });

  it.each(['', 'long', '1 2', '3 yards', '1e5', '--2', 'NaN'])('does not read “%s”', (text) => {
    expect(parseLength(text, 'm')).toBeNull();
  });

  it('shows them with their unit', () => {
    expect(formatLength(22_500, 'metric')).toBe('22.5 m');
    expect(formatLength(90_000, 'imperial')).toBe('295.3 ft');
    expect(formatSize(482.6, 'metric')).toBe('482.6 mm');
    expect(formatSize(482.6, 'imperial')).toBe('19 in');
  });

  it('reads back what it shows in a field, to the millimetre in metres', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000_000 }), (mm) => {
        expect(parseLength(lengthToField(mm, 'metric'), 'm')).toBe(mm);
        for (const units of UNITS) expect(parseSize(sizeToField(mm, units), units)).toBe(mm);
        expect(Math.abs((parseLength(lengthToField(mm, 'imperial'), 'ft') ?? 0) - mm)).toBeLessThanOrEqual(2);
      }),
    );
  });
});

it('shows speeds', () => {
  expect([100, 1000, 2500, 10_000].map(formatSpeed)).toEqual(['100 Mb/s', '1 Gb/s', '2.5 Gb/s', '10 Gb/s']);
});
