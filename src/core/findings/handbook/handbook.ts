import { citeWithMark } from '../../base/standards/source';
import { refuse } from '../../base/text/refusal';
import { CABINET_ENTRIES } from './cabinet';
import { CABLING } from './cabling';
import { CLIMATE_ENTRIES } from './climate';
import type { Entry, Given, Input } from './entry';
import { FIGURES } from './figures';
import { LINKS } from './links';
import { MAINS_ENTRIES } from './mains';
import { MAINS_FIGURES } from './mainsFigures';
import { PATHWAYS } from './pathways';
import { POWER } from './power';
import { PROVING_ENTRIES } from './proving';
import { RULES } from './rules';

/** What can be reckoned by hand with the program’s own functions. Adding one touches its file only. */
export const HANDBOOK: readonly Entry[] = [
  ...CABLING,
  ...LINKS,
  ...POWER,
  ...MAINS_ENTRIES,
  ...CLIMATE_ENTRIES,
  ...PATHWAYS,
  ...RULES,
  ...CABINET_ENTRIES,
  ...FIGURES,
  ...MAINS_FIGURES,
  ...PROVING_ENTRIES,
];

export const entryOf = (id: string): Entry =>
  HANDBOOK.find((entry) => entry.id === id) ?? refuse('no-entry', `The handbook has no entry ${id}.`, id);

export type Reckoned = {
  id: string;
  /** As it is shown, with the digits that mean something. */
  value: string;
  unit: string;
  /** The formula with the numbers in it. */
  formula: string;
  given: Given;
  source: string;
};

function readInput(input: Input, text: string | undefined): number | string {
  if (text === undefined || text.trim() === '') return input.initial;
  if (input.kind === 'choice') {
    const known = input.options.find((one) => one.toLowerCase() === text.trim().toLowerCase());
    return (
      known ??
      refuse('input', `${input.name}: found “${text}”, expected one of ${input.options.join(', ')}.`, input.name)
    );
  }
  const value = Number(text.trim().replace(',', '.').replace('−', '-'));
  const { least, most, unit, name } = input;
  if (!Number.isFinite(value) || value < least || value > most)
    refuse('input', `${name}: found “${text}”, expected ${least} to ${most} ${unit}`.trimEnd().concat('.'), name);
  return value;
}

/** A result as it is shown. */
export function resultWords({ digits }: Pick<Entry, 'digits'>, result: number | string | null): string {
  if (result === null) return 'nothing comes of these numbers';
  return typeof result === 'string' ? result : result.toFixed(digits);
}

/**
 * Reckon an entry with numbers as a person typed them; what is left out has its default.
 * @throws Refusal naming the input and what was expected
 */
export function reckon(id: string, typed: Readonly<Record<string, string>>): Reckoned {
  const entry = entryOf(id);
  const names = new Set(entry.inputs.map(({ name }) => name));
  for (const name of Object.keys(typed))
    if (!names.has(name)) refuse('input', `${id} takes no ${name}; it takes ${[...names].join(', ')}.`, name);
  const given = Object.fromEntries(entry.inputs.map((input) => [input.name, readInput(input, typed[input.name])]));
  const shown = (name: string) => {
    const input = entry.inputs.find((one) => one.name === name);
    const unit = input?.kind === 'number' ? input.unit : '';
    return [given[name], unit].filter((part) => part !== '').join(' ');
  };
  return {
    id,
    value: resultWords(entry, entry.reckon(given)),
    unit: entry.unit,
    formula: entry.formula.replace(/\{(\w+)\}/g, (_, name: string) => shown(name)),
    given,
    source: citeWithMark(entry.sourceFor?.(given) ?? entry.source),
  };
}
