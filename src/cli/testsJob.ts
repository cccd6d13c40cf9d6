import { readJobFile } from '../core/exchange/formats/jobFile';
import { proofs } from '../core/trade/testing/proof';
import { readText, write } from './io';
import type { Options } from './options';

/** The verdict on every run, as the Test station shows it. */
export function testsOfJob(path: string, options: Options): number {
  const verdicts = proofs(readJobFile(readText(path))).map(({ run, verdict, words, acceptance, marks }) => ({
    run: run.label,
    verdict,
    why: [words, ...marks].join(' '),
    accepted: acceptance?.by ?? null,
  }));
  if (options.json) write('-', `${JSON.stringify(verdicts, null, 2)}\n`);
  else
    for (const { run, verdict, why, accepted } of verdicts)
      write('-', `${run}: ${verdict}${accepted === null ? '' : `, accepted by ${accepted}`}. ${why}\n`);
  return verdicts.some(({ verdict, accepted }) => verdict === 'failed' && accepted === null) ? 1 : 0;
}
