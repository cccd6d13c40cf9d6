import type { RuleSetId } from './ruleSets';
import type { Source } from './source';

/** What a standard that is not international is of, by how its name begins. */
const OF_COUNTRY: readonly (readonly [RegExp, RuleSetId, string])[] = [
  [/^(?:NFPA|NEC|ANSI|TIA|ADA|UL|NDS|NEMA|OSHA|CDC|CPSC|CSA)\b/, 'north-america', 'US'],
  [/^(?:BS\b|Approved Document|HSE)/, 'united-kingdom', 'UK'],
  [/^(?:EN\b|CENELEC|CEE|Eurocode|DIN)/, 'europe', 'European'],
  [/^(?:AS\b|AS\/|AS\/NZS|Telecommunications cabling)/, 'australia-new-zealand', 'Australian'],
];
/** European standards are British ones too. */
const SHARES: Partial<Record<RuleSetId, readonly RuleSetId[]>> = { 'united-kingdom': ['europe'] };

type Part = { words: string; home: RuleSetId | null; land: string };
const partOf = (words: string): Part => {
  const found = OF_COUNTRY.find(([start]) => start.test(words));
  return { words, home: found?.[1] ?? null, land: found?.[2] ?? '' };
};

/**
 * A source as a job of a region reads it: the standards of that region and international ones; a foreign one only where there
 * is no other, and named as foreign.
 * @example citeFor(published('ANSI/TIA-568.2; ISO/IEC 11801'), 'united-kingdom') // 'ISO/IEC 11801'
 */
export function citeFor({ title }: Source, rules: RuleSetId): string {
  if (rules === 'other') return title;
  const parts = title.split('; ').map(partOf);
  const at = [rules, ...(SHARES[rules] ?? [])];
  const ours = parts.filter(({ home }) => home === null || at.includes(home));
  // What stands behind a colon in the last part tells what of it all: it is no standard of its own.
  if (ours.some(({ words }) => /[A-Z]{2,}|:/.test(words)) || parts.every(({ home }) => home === null))
    return ours.map(({ words }) => words).join('; ');
  return parts.map(({ words, home, land }) => (home === null ? words : `${words} (${land} standard)`)).join('; ');
}
