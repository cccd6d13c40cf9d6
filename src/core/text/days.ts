/*
 * Days of the calendar as `2026-11-27`, reckoned without a clock: days are counted from 1 March of the year 0, so that the
 * day that comes and goes stands at the end of a year (Gregorian calendar).
 */

const YEAR_DAYS = 365.25;

function toNumber(day: string): number {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const y = month <= 2 ? year - 1 : year;
  const m = (month + 9) % 12;
  return (
    365 * y + Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400) + Math.floor((153 * m + 2) / 5) + date - 1
  );
}

function toDay(number: number): string {
  let y = Math.floor((10_000 * number + 14_780) / 3_652_425);
  const rest = () => number - (365 * y + Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400));
  if (rest() < 0) y -= 1;
  const m = Math.floor((100 * rest() + 52) / 3060);
  const month = ((m + 2) % 12) + 1;
  const year = y + Math.floor((m + 2) / 12);
  const date = rest() - Math.floor((m * 306 + 5) / 10) + 1;
  return [String(year).padStart(4, '0'), String(month).padStart(2, '0'), String(date).padStart(2, '0')].join('-');
}

/** Years from one day to another. */
export const yearsBetween = (from: string, to: string): number => (toNumber(to) - toNumber(from)) / YEAR_DAYS;

/** The day so many years later. */
export const addYears = (day: string, years: number): string => toDay(toNumber(day) + Math.round(years * YEAR_DAYS));
