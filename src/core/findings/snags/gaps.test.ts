import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyChange, anyFilling, changed, emptied, type Gap, gapOf, gapsOf } from '../../../../tests/support/anyGap';
import { examples } from '../../../../tests/support/examples';
import { demoText } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { readJobFile } from '../../exchange/formats/jobFile';
import type { Job } from '../../job/document/job';
import { sealJob } from '../../job/document/sealJob';
import { poeUnknown } from '../../trade/power/poe';
import { findByRule, SNAG_RULES } from './findSnags';
import type { Snag } from './snag';

const FILES = ['marrowby-job.json', 'ostermoor-plan.json', 'schnuerlbach-job.json', 'tarnbrook-job.json'];
const starts = (): Job[] => [powered(), ...FILES.map((file) => readJobFile(demoText(file)))].map(sealJob);

/** Fields whose emptiness is a fact or a choice and not something that nobody knows, and why. */
const FACTS: Readonly<Record<string, string>> = {
  'cords.lengthMm': 'empty: the program chooses one that reaches',
  'plugs.lengthMm': 'empty: the program chooses one that reaches',
  'wallOutlets.kind': 'empty: the household outlet of the country',
  'wallOutlets.pitchMm': 'empty: as is usual for that outlet',
  'racks.rearRailMm': 'empty: at the back of the rack',
  'racks.innerRailMm': 'empty: there is no second pair',
  'gear.widthMm': 'empty: as is usual for its frame',
  'gear.plug': 'empty: the plug that goes with its inlet',
  'gear.plugWidthMm': 'empty: as is usual for that plug',
  'circuits.volts': 'empty: the mains of the job',
  'noisePlaces.dayDb': 'empty: the target that goes with its use',
  'noisePlaces.nightDb': 'empty: the target that goes with its use',
  'answers.wall-kind': 'two answers to one question that differ are not judged; with one of them gone they agree',
};

/** Whether emptying says a fact: a device that is not always powered over its cable takes none; a new cable is cut to length. */
function saysFact(job: Job, { table, row, field }: Gap): boolean {
  if (`${table}.${field}` in FACTS) return true;
  const run = table === 'runs' ? job.runs[row.id] : undefined;
  if (!run) return false;
  if (field === 'tailMm') return run.origin === 'new';
  // The class alone, or watts alone, still say what it takes.
  if (field === 'poeW') return !poeUnknown({ ...run, poeW: null });
  return field === 'poeClass' && !poeUnknown({ ...run, poeClass: null });
}

const subjects = ({ runIds, gearIds, rackIds, rowIds }: Snag): string[] => [
  ...runIds,
  ...gearIds,
  ...rackIds,
  ...rowIds,
];
const judge = (job: Job) => new Map(SNAG_RULES.map((rule) => [rule.id, findByRule(rule, job)]));
const key = ({ rule, what }: Snag) => `${rule} ${what}`;

/** What was a snag, or not judged, and is neither after a field was emptied. */
function wentSilent(job: Job, gap: Gap): string[] {
  const [before, after] = [judge(job), judge(sealJob(emptied(job, gap)))];
  const known = new Set([...before.values()].flat().map(key));
  // An entry that was not there before says what became unknown, of this very thing.
  const fresh = [...after.values()].flat().filter((one) => one.grade === 'not-judged' && !known.has(key(one)));
  return SNAG_RULES.flatMap(({ id }) =>
    (before.get(id) ?? []).flatMap((was) => {
      if (was.grade === 'could-be-neater') return [];
      const of = subjects(was);
      const meets = (one: Snag) =>
        of.length === 0 || subjects(one).length === 0 || subjects(one).some((a) => of.includes(a));
      const still = (after.get(id) ?? []).some((one) => one.grade !== 'could-be-neater' && meets(one));
      const said = fresh.some((one) => subjects(one).includes(gap.row.id) || meets(one));
      return still || said ? [] : [`${gap.table}.${gap.field} emptied: ${id}: ${was.what}`];
    }),
  );
}

describe('a gap', () => {
  it('turns what was found into not judged, and never into silence', () => {
    const all = starts();
    let compared = 0;
    let found = 0;
    fc.assert(
      fc.property(
        fc.nat(all.length - 1),
        fc.array(anyChange, { minLength: 10, maxLength: 25 }),
        fc.array(fc.nat(), { minLength: 12, maxLength: 12 }),
        (start, changes, picks) => {
          const job = sealJob(changes.reduce(changed, all[start] as Job));
          const gaps = gapsOf(job).filter((gap) => !saysFact(job, gap));
          found += [...judge(job).values()].flat().length;
          for (const pick of picks) {
            const gap = gaps[pick % gaps.length];
            if (!gap) continue;
            compared += 1;
            expect(wentSilent(job, gap)).toEqual([]);
          }
        },
      ),
      { numRuns: examples(20, 60), seed: Number(process.env.SEED ?? 7) },
    );
    // Jobs with nothing wrong in them would show nothing.
    expect(compared).toBeGreaterThan(examples(150, 500));
    expect(found).toBeGreaterThan(examples(300, 1000));
  });

  it('left where a field was filled with anything says as much as the field did', () => {
    const all = starts();
    let found = 0;
    fc.assert(
      fc.property(fc.nat(all.length - 1), anyFilling, (start, filling) => {
        const job = sealJob(changed(all[start] as Job, filling));
        const gap = gapOf(job, filling);
        if (!gap || saysFact(job, gap)) return;
        found += 1;
        expect(wentSilent(job, gap)).toEqual([]);
      }),
      { numRuns: examples(500, 1500), seed: Number(process.env.SEED ?? 11) },
    );
    expect(found).toBeGreaterThan(examples(90, 300));
  });
});
