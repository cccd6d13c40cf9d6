import { type RuleSetId, ruleSets } from '@/core/standards/ruleSets';

/** `27 Nov 2026`, in North America `Nov 27, 2026`. @param iso ISO 8601, UTC; shown in the time of this place */
export const formatDay = (iso: string | Date, rules: RuleSetId): string =>
  new Date(iso).toLocaleDateString(ruleSets[rules].locale, { dateStyle: 'medium' });

/** The day and the time, in the way of the region. */
export const formatMoment = (iso: string | Date, rules: RuleSetId): string =>
  new Date(iso).toLocaleString(ruleSets[rules].locale, { dateStyle: 'medium', timeStyle: 'short' });
