import {
  addDays as daysLater,
  differenceInCalendarDays,
  formatISO,
  getDay,
  addMonths as monthsLater,
  parseISO,
} from 'date-fns';

/* Days of the calendar as `2026-11-27`, without a clock. */

const YEAR_DAYS = 365.25;
const toDay = (date: ReturnType<typeof parseISO>): string => formatISO(date, { representation: 'date' });

/** Years from one day to another. */
export const yearsBetween = (from: string, to: string): number =>
  differenceInCalendarDays(parseISO(to), parseISO(from)) / YEAR_DAYS;

/** The day so many days later. */
export const addDays = (day: string, days: number): string => toDay(daysLater(parseISO(day), days));

/** The same day so many months later; the last of the month where it has no such day. @example addMonths('2026-01-31', 1) // '2026-02-28' */
export const addMonths = (day: string, months: number): string => toDay(monthsLater(parseISO(day), months));

/** The day so many years later: whole months by the calendar, the rest in days. */
export function addYears(day: string, years: number): string {
  const months = Math.floor(years * 12 + 1e-9);
  return addDays(addMonths(day, months), Math.round((years - months / 12) * YEAR_DAYS));
}

/** Monday is 0, Sunday 6. */
export const weekdayOf = (day: string): number => (getDay(parseISO(day)) + 6) % 7;

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
