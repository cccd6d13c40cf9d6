import { existsSync } from 'node:fs';
import type { DiagnosisTree } from '../core/base/solve/diagnosis/problem';
import { refuse } from '../core/base/text/refusal';
import { percent } from '../core/base/units/percent';
import { readJobFile } from '../core/exchange/formats/jobFile';
import { indexJob, sameKey } from '../core/job/document/jobIndex';
import { choiceCode } from '../core/job/records/choiceCode';
import { SYMPTOMS, type Symptom } from '../core/job/records/mend';
import type { Run } from '../core/job/records/run';
import { planTrouble, type Trouble, troubleOf } from '../core/trade/testing/trouble';
import { readText, write } from './io';
import { limitsOf, type Options } from './options';

type Seen = { run: Run; symptom: Symptom | 'sound' };

/** Lines or parts of `LABEL: what is seen`; `sound` says that a run works. @throws Refusal naming the line */
function readSeen(text: string, runs: ReadonlyMap<string, Run>): Seen[] {
  return text
    .split(/[\n;]+/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .map((line, at): Seen => {
      const [label = '', what = ''] = line.split(':').map((part) => part.trim());
      const run = runs.get(sameKey(label)) ?? refuse('no-run', `--seen, line ${at + 1}: there is no run “${label}”.`);
      const symptom = [...SYMPTOMS, 'sound' as const].find((one) => one === choiceCode(what.toLowerCase()));
      return symptom === undefined
        ? refuse('seen', `--seen, line ${at + 1}: expected ${SYMPTOMS.join(', ')} or sound, found “${what}”.`)
        : { run, symptom };
    });
}

type Named = { test: string; yes: Named; no: Named } | { mend: string; else: Named | null };
function named({ suspects, tests }: Trouble, tree: DiagnosisTree | null): Named | null {
  if (tree === null) return null;
  const trouble = { suspects, tests } as Trouble;
  if ('mend' in tree) return { mend: suspects[tree.mend]?.id ?? '', else: named(trouble, tree.else) };
  return {
    test: tests[tree.test]?.id ?? '',
    yes: named(trouble, tree.yes) as Named,
    no: named(trouble, tree.no) as Named,
  };
}

/** `diagnose JOB --seen TEXT|FILE`: for each run with trouble the suspects and the cheapest way to the fault. */
export function diagnoseOfJob(path: string, options: Options): number {
  const job = readJobFile(readText(path));
  if (options.seen === undefined)
    return refuse('usage', '--seen: expected what is seen, such as "12: slow; 14: dark", or a file of it.');
  const seen = readSeen(existsSync(options.seen) ? readText(options.seen) : options.seen, indexJob(job).runByLabel);
  const sound = seen.filter(({ symptom }) => symptom === 'sound').map(({ run }) => run.id);
  const made = seen.flatMap(({ run, symptom }) => {
    if (symptom === 'sound') return [];
    const dead = seen.filter((one) => one.symptom === symptom).map((one) => one.run.id);
    const trouble = troubleOf(job, run, symptom, dead, sound);
    const plan = planTrouble(trouble, limitsOf(options, 1));
    return [{ trouble, plan }];
  });
  if (options.json) {
    const plain = made.map(({ trouble, plan }) => ({
      run: trouble.run.label,
      seen: trouble.symptom,
      expectedMinutes: Math.round(plan.expectedMin * 10) / 10,
      proven: plan.proven,
      suspects: trouble.suspects.map(({ id, words, odds, mendMin }) => ({ id, words, odds, mendMin })),
      tests: trouble.tests.map(({ id, words, minutes, finds }) => ({ id, words, minutes, finds })),
      tree: named(trouble, plan.tree),
    }));
    write(options.out, `${JSON.stringify(plain, null, 2)}\n`);
    return 0;
  }
  for (const { trouble, plan } of made) {
    const { run, symptom, suspects, tests } = trouble;
    const all = suspects.reduce((sum, { odds }) => sum + odds, 0);
    const first = plan.tree;
    const next =
      first === null ? 'nothing is suspected' : 'test' in first ? tests[first.test]?.words : suspects[first.mend]?.mend;
    write(
      '-',
      `${run.label}, ${symptom}: ${plan.expectedMin.toFixed(0)} min to be expected${plan.proven ? ' (proven least)' : ''}. First: ${next}\n`,
    );
    for (const { words, odds } of [...suspects].sort((a, b) => b.odds - a.odds))
      write('-', `  ${percent(odds, all).padStart(5)}  ${words}\n`);
  }
  return 0;
}
