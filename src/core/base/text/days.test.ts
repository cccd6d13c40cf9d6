import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, addMonths, addYears, yearsBetween } from './days';

describe('days of the calendar', () => {
  it('knows leap years', () => {
    expect(addYears('2024-02-29', 1)).toBe('2025-02-28');
    expect(addYears('2023-03-01', 3)).toBe('2026-03-01');
    expect(yearsBetween('2024-02-28', '2024-03-01') * 365.25).toBeCloseTo(2, 9);
    expect(yearsBetween('2100-02-28', '2100-03-01') * 365.25).toBeCloseTo(1, 9);
  });

  it('adds months by the calendar', () => {
    expect(addMonths('2026-01-31', 1)).toBe('2026-02-28');
    expect(addMonths('2028-01-31', 1)).toBe('2028-02-29');
    expect(addMonths('2026-11-30', 3)).toBe('2027-02-28');
    expect(addYears('2026-06-15', 2.5)).toBe('2028-12-15');
  });

  it('counts as the calendar of the machine does', () => {
    const day = fc.date({ min: new Date('1970-01-01'), max: new Date('2400-01-01'), noInvalidDate: true });
    fc.assert(
      fc.property(day, day, (a, b) => {
        const [from, to] = [a, b].map((one) => one.toISOString().slice(0, 10));
        const days = (Date.parse(to ?? '') - Date.parse(from ?? '')) / 86_400_000;
        expect(yearsBetween(from ?? '', to ?? '') * 365.25).toBeCloseTo(days, 6);
        expect(addDays(from ?? '', days)).toBe(to);
      }),
    );
  });
});
