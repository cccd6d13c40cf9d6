import type { Source } from '../../base/standards/source';

/** A number that is put in, in its unit, within limits. */
export type NumberInput = {
  kind: 'number';
  name: string;
  words: string;
  unit: string;
  least: number;
  most: number;
  initial: number;
};
/** One of a few words. */
export type ChoiceInput = { kind: 'choice'; name: string; words: string; options: readonly string[]; initial: string };
export type Input = NumberInput | ChoiceInput;
export type Given = Readonly<Record<string, number | string>>;

/** A formula, table or rule of thumb that the program itself reckons with, to be tried with other numbers. */
export type Entry = {
  id: string;
  group: string;
  tells: string;
  inputs: readonly Input[];
  unit: string;
  /** Digits behind the point that mean something. */
  digits: number;
  /** Written out: names of inputs in braces. */
  formula: string;
  /** The very function that the program uses. Null: nothing comes of these numbers. */
  reckon: (given: Given) => number | string | null;
  source: Source;
  /** Where the table has a source for each of its values: that of the one given. */
  sourceFor?: (given: Given) => Source;
  /** Worked by hand or printed in a book; `from` says where. */
  example: { given: Given; result: number | string; from: string };
};

export const figure = (
  name: string,
  words: string,
  unit: string,
  [initial, least, most]: readonly [number, number, number],
): NumberInput => ({ kind: 'number', name, words, unit, least, most, initial });

export const choice = (name: string, words: string, options: readonly string[]): ChoiceInput => ({
  kind: 'choice',
  name,
  words,
  options,
  initial: options[0] ?? '',
});

/** A number that was given; the limits were looked at before. */
export const of = (given: Given, name: string): number => Number(given[name]);
