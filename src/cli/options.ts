import { parseArgs } from 'node:util';
import { refuse } from '../core/base/text/refusal';

export type Options = ReturnType<typeof readArguments>['values'];

export function readArguments(args: string[]) {
  return parseArgs({
    args,
    allowPositionals: true,
    options: {
      gear: { type: 'string' },
      name: { type: 'string' },
      units: { type: 'string' },
      rules: { type: 'string' },
      out: { type: 'string', short: 'o' },
      as: { type: 'string' },
      of: { type: 'string' },
      json: { type: 'boolean' },
      kind: { type: 'string' },
      sheet: { type: 'string' },
      own: { type: 'string' },
      'code-for': { type: 'string' },
      school: { type: 'string' },
      seconds: { type: 'string' },
      seed: { type: 'string' },
      'skip-bad-rows': { type: 'boolean' },
      'include-spare': { type: 'boolean' },
      by: { type: 'string' },
      show: { type: 'string' },
      order: { type: 'string' },
      moves: { type: 'string' },
      anew: { type: 'boolean' },
      list: { type: 'boolean' },
      today: { type: 'string' },
      seen: { type: 'string' },
      switch: { type: 'string' },
      fault: { type: 'string', multiple: true },
      walk: { type: 'string' },
      serve: { type: 'string' },
      sections: { type: 'string' },
      named: { type: 'string' },
      what: { type: 'string' },
      where: { type: 'string' },
      help: { type: 'boolean', short: 'h' },
    },
  });
}

function numberOption(options: Options, name: 'seconds' | 'seed', initial: number, least: number): number {
  const text = options[name];
  if (text === undefined) return initial;
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || value < least)
    return refuse('usage', `--${name}: expected a number from ${least}, found “${text}”.`);
  return value;
}

export const limitsOf = (options: Options, seconds: number) => ({
  seed: numberOption(options, 'seed', 1, 0),
  now: () => performance.now(),
  untilMs: performance.now() + numberOption(options, 'seconds', seconds, 0) * 1000,
});
