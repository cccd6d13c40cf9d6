import { counted } from '../core/base/text/counted';
import { refuse } from '../core/base/text/refusal';
import { formatMinutes } from '../core/base/units/minutes';
import { readJobFile, writeJobFile } from '../core/exchange/formats/jobFile';
import { waysFor } from '../core/findings/whatIf/ways';
import { wishFor } from '../core/findings/whatIf/wish';
import { applyCommands } from '../core/job/commands/apply';
import { moneyOf } from '../core/trade/survey/answers/money';
import { readPack } from '../print/readPack';
import { readBytes, readText, say, write } from './io';
import type { Options } from './options';

/** `verify PACK.zip`: each file against the manifest. @returns 1 when something is not as it was */
export function verifyPack(path: string): number {
  const { manifest, files, faults } = readPack(readBytes(path));
  for (const words of faults) write('-', `${words}\n`);
  if (faults.length > 0) return 1;
  readJobFile(new TextDecoder().decode(files.get('job.json') ?? new Uint8Array()));
  write(
    '-',
    `${manifest.job}, ${manifest.state}, ${manifest.at.slice(0, 10)}: ${counted(manifest.files.length, 'file')}, all as they were.\n`,
  );
  return 0;
}

/** `add JOB --what … --where …`: ways to bring one more device in; `-o` writes the job with the cheapest. @returns 1 when there is none */
export function addToJob(path: string, options: Options): number {
  const job = readJobFile(readText(path));
  if (options.what === undefined) return refuse('usage', '--what: expected a device, such as camera.');
  if (options.where === undefined) return refuse('usage', '--where: expected a room.');
  const wish = wishFor(job, options.what, options.where);
  let count = 0;
  const newId = (what: string): string => {
    for (;;) {
      count += 1;
      const id = `more-${what}-${count}`;
      if (!job.runs[id] && !job.passages[id] && !job.streams[id]) return id;
    }
  };
  const { ways, none, proven } = waysFor(job, wish, newId);
  const [best] = ways;
  if (options.out !== undefined && options.out !== '-' && best)
    write(options.out, writeJobFile(applyCommands(job, best.commands).job));
  if (options.json) {
    const plain = ways.map(({ kind, label, path: parts, minutes, money, cost, usesUp, bites, notes, commands }) => ({
      kind,
      label,
      path: Object.fromEntries(parts.map(({ part, words }) => [part, words])),
      minutes,
      money: Math.round(money * 100) / 100,
      cost: Math.round(cost * 100) / 100,
      usesUp,
      bites,
      notes,
      commands,
    }));
    write('-', `${JSON.stringify({ wish, proven, ways: plain, none }, null, 2)}\n`);
  } else {
    for (const way of ways) {
      write('-', `${way.kind} ${way.label}: ${formatMinutes(way.minutes)}, parts ${moneyOf(job, way.money)}\n`);
      for (const { part, words } of way.path) write('-', `  ${part.padEnd(12)} ${words}\n`);
      for (const words of [...way.notes, ...way.bites.map((bite) => `brings: ${bite}`)]) write('-', `  ${words}\n`);
    }
    for (const words of none) say(words);
  }
  return ways.length > 0 ? 0 : 1;
}
