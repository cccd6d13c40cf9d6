import type { Source } from '../../base/standards/source';
import { choice, type Entry } from './entry';

const GROUP = 'Figures and rules of thumb';

/** A figure that stands by itself. @param result the same once more, as the book has it */
export const figureOf = (
  id: string,
  tells: string,
  [value, unit, digits]: readonly [value: number, unit: string, digits: number],
  source: Source,
  result: number,
): Entry => ({
  id,
  group: GROUP,
  tells,
  inputs: [],
  unit,
  digits,
  formula: 'a figure by itself',
  reckon: () => value,
  source,
  example: { given: {}, result, from: source.title },
});

export const table = <K extends string>(
  id: string,
  tells: string,
  words: string,
  keys: readonly K[],
  [unit, digits]: readonly [string, number],
  of: (key: K) => number | null,
  source: Source,
  [example, result]: readonly [K, number],
): Entry => ({
  id,
  group: GROUP,
  tells,
  inputs: [choice('of', words, keys)],
  unit,
  digits,
  formula: 'table: {of}',
  reckon: (given) => of(given.of as K),
  source,
  example: { given: { of: example }, result, from: source.title },
});
