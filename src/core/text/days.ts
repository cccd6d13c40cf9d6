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

/** The day so many days later. */
export const addDays = (day: string, days: number): string => toDay(toNumber(day) + days);

/** Monday is 0, Sunday 6. 1 March of the year 0 was a Wednesday. */
export const weekdayOf = (day: string): number => (((toNumber(day) + 2) % 7) + 7) % 7;

/** Minutes of an hour such as `18:30` after midnight. */
export const minutesOfHour = (hour: string): number => {
  const [hours = 0, minutes = 0] = hour.split(':').map(Number);
  return hours * 60 + minutes;
};

/** Day and hour so many minutes after midnight of a day, as `2026-11-27T18:30`. */
export function timeAfter(day: string, minutes: number): string {
  const whole = Math.round(minutes);
  const rest = ((whole % 1440) + 1440) % 1440;
  const two = (value: number) => String(value).padStart(2, '0');
  return `${addDays(day, Math.floor(whole / 1440))}T${two(Math.floor(rest / 60))}:${two(rest % 60)}`;
}
