import { describe, expect, it } from 'vitest';
import { atLeast, atLeastShort, atLeastWords, together } from './atLeast';
import { formatMinutes } from './minutes';
import { formatMoney } from './money';

describe('figures in words', () => {
  it('money has its currency and two digits behind the point', () => {
    expect(formatMoney(1141.9, 'EUR', 'en-IE')).toBe('€1,141.90');
    expect(formatMoney(1141.9, 'USD', 'en-US')).toBe('$1,141.90');
    expect(formatMoney(1141.9, 'USD', 'en-GB')).toBe('US$1,141.90');
    expect(formatMoney(0.5, '', 'en-GB')).toBe('0.50');
    expect(formatMoney(-12, 'crowns', 'en-GB')).toBe('−12.00 crowns');
  });

  it('working time is hours and minutes', () => {
    expect([1222, 45, 120, 59.6].map(formatMinutes)).toEqual(['20 h 22 min', '45 min', '2 h', '1 h']);
  });

  it('what is not known in part is at least so much, and nothing known is unknown', () => {
    const kilograms = (value: number) => `${value} kg`;
    expect(atLeastWords(atLeast([1, 2]), kilograms)).toBe('3 kg');
    expect(atLeastWords(atLeast([1, null, 2, null]), kilograms)).toBe('at least 3 kg, 2 unknown');
    expect(atLeastWords(atLeast([null]), kilograms)).toBe('unknown');
    expect([atLeast([1, null]), atLeast([null]), atLeast([4])].map((of) => atLeastShort(of, kilograms))).toEqual([
      '≥ 1 kg',
      '?',
      '4 kg',
    ]);
    expect(together([atLeast([1, null]), atLeast([2])])).toEqual({ sum: 3, unknown: 1 });
  });
});
