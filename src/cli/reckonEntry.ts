import { citeWithMark } from '../core/base/standards/source';
import { refuse } from '../core/base/text/refusal';
import { HANDBOOK, reckon } from '../core/findings/handbook/handbook';
import { write } from './io';
import type { Options } from './options';

/** All entries, or one reckoned with `name=value` words. @returns the exit code */
export function reckonEntry(words: readonly string[], options: Options): number {
  if (options.list) {
    const list = HANDBOOK.map(({ id, group, tells, inputs, unit, formula, source }) => ({
      id,
      group,
      tells,
      inputs,
      unit,
      formula,
      source: citeWithMark(source),
    }));
    const lines = list.map(
      ({ id, tells, inputs }) => `${id.padEnd(22)} ${tells} (${inputs.map(({ name }) => name).join(', ')})`,
    );
    write(options.out, options.json ? `${JSON.stringify(list, null, 2)}\n` : `${lines.join('\n')}\n`);
    return 0;
  }
  const [id, ...given] = words;
  if (id === undefined) return refuse('usage', 'reckon takes an entry of the handbook; reckon --list names them.');
  const typed = Object.fromEntries(
    given.map((word) => {
      const at = word.indexOf('=');
      return at > 0 ? [word.slice(0, at), word.slice(at + 1)] : refuse('usage', `${word}: expected name=value.`);
    }),
  );
  const made = reckon(id, typed);
  const text = `${`${made.value} ${made.unit}`.trim()}\n${made.formula}\n[${made.source}]\n`;
  write(options.out, options.json ? `${JSON.stringify(made, null, 2)}\n` : text);
  return 0;
}
