import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

let guesser: ZxcvbnFactory | null = null;

/** How hard a password is to guess, 0 to 4, by words and patterns that are tried first. @param names that belong to its owner */
export function strengthOf(password: string, names: readonly string[]): number {
  // Made when it is first asked for: its words take tens of milliseconds to read.
  guesser ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  return guesser.check(password, [...names]).score;
}
