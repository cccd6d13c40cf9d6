import { counted } from '../core/base/text/counted';
import { readJobFile } from '../core/exchange/formats/jobFile';
import { compareJobs } from '../core/findings/wiring/compareJobs';
import { commandsOf } from '../core/job/commands/setField';
import { diffJobs } from '../core/job/document/change';
import { readText, write } from './io';
import type { Options } from './options';

/** What differs between two job files, in words or as JSON with the commands that lead from one to the other. */
export function diffFiles(from: string, to: string, options: Options): number {
  const [before, after] = [readJobFile(readText(from)), readJobFile(readText(to))];
  const changes = diffJobs(before, after);
  if (options.json) {
    write(options.out, `${JSON.stringify({ changes, commands: commandsOf(changes) }, null, 2)}\n`);
    return changes.length === 0 ? 0 : 1;
  }
  const { tables } = compareJobs(before, after);
  const lines = tables.flatMap(({ title, lines: of }) => [`${title}:`, ...of.map((line) => `  ${line}`)]);
  write(
    options.out,
    `${[...lines, changes.length === 0 ? 'They are alike.' : `${counted(changes.length, 'difference')}.`].join('\n')}\n`,
  );
  return changes.length === 0 ? 0 : 1;
}
