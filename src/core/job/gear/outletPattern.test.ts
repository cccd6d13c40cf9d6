import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyField } from '../../../../tests/support/anyField';
import { Gear, type OutletGroup } from '../records/gear';
import { formatOutletPattern, parseOutletPattern } from './outletPattern';

describe('outlets as a line', () => {
  it('reads counts, kinds and what is behind them', () => {
    expect(parseOutletPattern('6×C13 battery; 2 x c19 surge switched after 5 s apart 1 s; 4')).toMatchObject([
      { count: 6, kind: 'c13', backing: 'battery' },
      { count: 2, kind: 'c19', backing: 'surge', switched: true, onAfterS: 5, apartS: 1 },
      { count: 4, kind: null, backing: null },
    ]);
    expect(parseOutletPattern('8 × NEMA 5-15 pitch 42,5 mm measured')[0]).toMatchObject({
      kind: 'nema-5-15',
      pitchMm: 42.5,
      measured: true,
    });
  });

  it.each([
    ['eight', 'expected a count'],
    ['8×C99', 'expected C13'],
    ['99×C13', 'at most 48'],
  ])('says what is wrong with “%s”', (text, words) => expect(() => parseOutletPattern(text)).toThrow(words));

  it('writes what it reads again', () => {
    fc.assert(
      fc.property(anyField(Gear.shape.outlets), (groups) => {
        expect(parseOutletPattern(formatOutletPattern(groups as OutletGroup[]))).toEqual(groups);
      }),
    );
  });
});
