import { z } from 'zod';

/**
 * Key of a record within its job. Names that every object inherits are kept out, so that a table
 * look-up by id can never find something that is not a record.
 */
export const Id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/, 'expected 1 to 64 letters, digits, - or _')
  .refine((id) => !(id in Object.prototype), 'is a reserved word');

/** One line of text: no control characters, no broken surrogates, nothing blank at its ends. */
export const line = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `expected at most ${most} characters`)
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, 'expected one line of plain text');

export const name = (most = 80) => line(most).min(1, 'expected a name, found nothing');
export const whole = (least: number, most: number) =>
  z
    .number()
    .int('expected a whole number')
    .min(least, `expected at least ${least}`)
    .max(most, `expected at most ${most}`);
/** A day of the calendar, as `2026-11-27`. */
export const day = z.iso.date('expected a date such as 2026-11-27');
export const amount = (least: number, most: number) =>
  z.number().min(least, `expected at least ${least}`).max(most, `expected at most ${most}`);
