import { type RuleSetId, ruleSets } from '@/core/base/standards/ruleSets';

/** Made once: each takes longer to make than to use many times. */
const made = new Map<string, Intl.DateTimeFormat>();

function formatter(rules: RuleSetId, style: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const { locale } = ruleSets[rules];
  const key = `${locale} ${Object.keys(style)}`;
  const known = made.get(key) ?? new Intl.DateTimeFormat(locale, style);
  made.set(key, known);
  return known;
}

/** `27 Nov 2026`, in North America `Nov 27, 2026`. @param iso ISO 8601, UTC; shown in the time of this place */
export const formatDay = (iso: string | Date, rules: RuleSetId): string =>
  formatter(rules, { dateStyle: 'medium' }).format(new Date(iso));

/** The day and the time, in the way of the region. */
export const formatMoment = (iso: string | Date, rules: RuleSetId): string =>
  formatter(rules, { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(iso));
