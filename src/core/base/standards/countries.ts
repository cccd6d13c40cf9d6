import { RULE_SETS, type RuleSetId, ruleSets } from './ruleSets';

/** A country: whose rules apply there, its money, how numbers and dates are written, and the paper it prints on. */
export type Country = {
  /** ISO 3166-1. */
  code: string;
  name: string;
  rules: RuleSetId;
  /** ISO 4217. */
  currency: string;
  /** BCP 47, of the English written there or nearest to it. */
  locale: string;
};

const country = (code: string, name: string, rules: RuleSetId, currency: string, locale?: string): Country => ({
  code,
  name,
  rules,
  currency,
  locale: locale ?? ruleSets[rules].locale,
});
const europe = (code: string, name: string, currency = 'EUR') =>
  country(code, name, 'europe', currency, currency === 'EUR' ? 'en-IE' : `en-${code}`);

/** Countries whose region is known, by name; elsewhere the rules are chosen by hand. */
export const COUNTRIES: readonly Country[] = [
  country('AU', 'Australia', 'australia-new-zealand', 'AUD', 'en-AU'),
  europe('AT', 'Austria'),
  europe('BE', 'Belgium'),
  europe('BG', 'Bulgaria', 'BGN'),
  country('CA', 'Canada', 'north-america', 'CAD', 'en-CA'),
  europe('HR', 'Croatia'),
  europe('CY', 'Cyprus'),
  europe('CZ', 'Czechia', 'CZK'),
  europe('DK', 'Denmark', 'DKK'),
  europe('EE', 'Estonia'),
  europe('FI', 'Finland'),
  europe('FR', 'France'),
  europe('DE', 'Germany', 'EUR'),
  europe('GR', 'Greece'),
  europe('HU', 'Hungary', 'HUF'),
  europe('IS', 'Iceland', 'ISK'),
  europe('IE', 'Ireland'),
  europe('IT', 'Italy'),
  europe('LV', 'Latvia'),
  europe('LT', 'Lithuania'),
  europe('LU', 'Luxembourg'),
  europe('MT', 'Malta'),
  europe('NL', 'Netherlands'),
  country('NZ', 'New Zealand', 'australia-new-zealand', 'NZD', 'en-NZ'),
  europe('NO', 'Norway', 'NOK'),
  europe('PL', 'Poland', 'PLN'),
  europe('PT', 'Portugal'),
  europe('RO', 'Romania', 'RON'),
  europe('SK', 'Slovakia'),
  europe('SI', 'Slovenia'),
  europe('ES', 'Spain'),
  europe('SE', 'Sweden', 'SEK'),
  europe('CH', 'Switzerland', 'CHF'),
  country('GB', 'United Kingdom', 'united-kingdom', 'GBP', 'en-GB'),
  country('US', 'United States', 'north-america', 'USD', 'en-US'),
];

const byCode = new Map(COUNTRIES.map((one) => [one.code, one]));

/** The country of a code; null where it is none of the list. */
export const countryOf = (code: string): Country | null => byCode.get(code) ?? null;

/** How numbers and dates are written in a job. */
export const localeOf = ({ rules, country: code }: { rules: RuleSetId; country: string }): string =>
  countryOf(code)?.locale ?? ruleSets[rules].locale;

/** Sheets that a client has at hand: US Letter in North America, ISO 216 elsewhere. */
export type Paper = 'a4' | 'letter';
export const paperOf = ({ rules, country: code }: { rules: RuleSetId; country: string }): Paper =>
  (countryOf(code)?.rules ?? rules) === 'north-america' ? 'letter' : 'a4';

/** Whose rules a country code or a region's id names; null: neither. */
export function rulesNamed(words: string): { rules: RuleSetId; country: string } | null {
  const found = countryOf(words.toUpperCase());
  if (found) return { rules: found.rules, country: found.code };
  const rules = RULE_SETS.find((one) => one === words);
  return rules ? { rules, country: '' } : null;
}
