import { diagnose } from '../../base/solve/diagnosis/diagnose';
import type { DiagnosisTree } from '../../base/solve/diagnosis/problem';
import type { SearchLimits } from '../../base/solve/limits';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Symptom } from '../../job/records/mend';
import { portKey } from '../../job/records/portKey';
import { isPanel, isSwitching } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { type Part, partKey, partName, partsOf } from '../power/dependencies/parts';
import { standing, wholeStanding } from '../power/dependencies/trip';
import { takesPower } from '../power/poe';
import { type Finds, oddsOf } from './odds';
import { type PathNames, type SharedPart, type Suspect, suspectsOf, type TroubleTest, testsFor } from './suspects';

export type Trouble = { run: Run; symptom: Symptom; suspects: Suspect[]; tests: TroubleTest[] };

/** A part that a run with the same trouble needs too is so many times likelier; one that a sound run needs, so many times less. */
const SHARED_WITH_DEAD = 8;
const SHARED_WITH_SOUND = 0.04;
/** A part that does not explain another run with the same trouble. */
const LEAVES_ONE_UNEXPLAINED = 0.3;
const MOST_SUPPLIES = 6;

const cutsKnown = new WeakMap<Job, ReadonlyMap<string, ReadonlySet<string>>>();

/** Runs that go dark with each part that several can hang on: devices that pass on or feed, their plugs, circuits and links. */
function cutsOf(job: Job): ReadonlyMap<string, ReadonlySet<string>> {
  const there = cutsKnown.get(job);
  if (there) return there;
  const well = wholeStanding(job).cut;
  const shared = partsOf(job).filter((part) => {
    const gear = gearOf(job, part);
    return part.kind !== 'cord' && part.kind !== 'run' && part.kind !== 'mains' && !(gear && isPanel(gear));
  });
  const made = new Map(
    shared.map((part) => {
      const { cut } = standing(job, { failed: new Set([partKey(part)]), empty: new Set(), generatorOn: false });
      return [partKey(part), new Set([...cut].filter((id) => !well.has(id)))] as const;
    }),
  );
  if (Object.isFrozen(job)) cutsKnown.set(job, made);
  return made;
}

/** Other runs that hang on something that this one hangs on too, those of its own switch first. */
export function runsSharingWith(job: Job, run: Run): Run[] {
  const index = indexJob(job);
  const shared = [...cutsOf(job).values()].filter((cut) => cut.has(run.id));
  const near = (one: Run) => shared.reduce((sum, cut) => sum + (cut.has(one.id) ? 1 / cut.size : 0), 0);
  return index.runsInOrder
    .filter((one) => one.id !== run.id && shared.some((cut) => cut.has(one.id)))
    .map((one) => ({ one, near: near(one) }))
    .sort((a, b) => b.near - a.near)
    .map(({ one }) => one);
}

const gearOf = (job: Job, { kind, id }: Part) => (kind === 'gear' ? job.gear[id] : undefined);

function partOf(job: Job, part: Part): SharedPart['part'] {
  if (part.kind === 'uplink') return 'uplink';
  const gear = gearOf(job, part);
  return gear && isSwitching(gear) ? 'switch' : 'supply';
}

/** What a run hangs on with others, with what those say for or against it. */
function sharedOf(job: Job, run: Run, dead: readonly string[], sound: readonly string[]): SharedPart[] {
  const others = dead.filter((id) => id !== run.id);
  const parts = partsOf(job).flatMap((part): SharedPart[] => {
    const cut = cutsOf(job).get(partKey(part));
    if (!cut?.has(run.id)) return [];
    const explains = others.filter((id) => cut.has(id)).length;
    const factor =
      SHARED_WITH_DEAD ** Math.min(2, explains) *
      LEAVES_ONE_UNEXPLAINED ** Math.min(2, others.length - explains) *
      (sound.some((id) => cut.has(id)) ? SHARED_WITH_SOUND : 1);
    return [{ id: partKey(part).replace(':', '-'), part: partOf(job, part), words: partName(job, part), factor }];
  });
  const supplies = parts.filter(({ part }) => part === 'supply').slice(0, MOST_SUPPLIES);
  return [...parts.filter(({ part }) => part !== 'supply'), ...supplies];
}

/** What the parts of a run's path are called. */
function pathOf(job: Job, run: Run, dead: readonly string[], sound: readonly string[]): PathNames {
  const index = indexJob(job);
  const landing = index.landingOfRun.get(run.id);
  const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
  const panel = job.gear[landing?.panelId ?? ''];
  const device = job.gear[cord?.switchId ?? ''];
  return {
    label: run.label,
    device: run.device || 'the device',
    panelPort: panel && landing ? `${panel.name} port ${landing.port}` : null,
    switchPort: device && cord ? `${device.name} port ${cord.switchPort}` : null,
    powered: takesPower(run),
    shared: sharedOf(job, run, dead, sound),
  };
}

/**
 * What may be wrong with a run, with the odds of each, the tests that part them, and what else is known of other runs.
 * @param dead runs that have the same trouble
 * @param sound runs that work
 * @param elsewhere faults found in other jobs, which teach the odds
 */
export function troubleOf(
  job: Job,
  run: Run,
  symptom: Symptom,
  dead: readonly string[] = [],
  sound: readonly string[] = [],
  elsewhere: Finds = {},
): Trouble {
  const odds = new Map(oddsOf(job, symptom, elsewhere).map(({ part, share }) => [part, share * 100]));
  const suspects = suspectsOf(pathOf(job, run, dead, sound), symptom, odds);
  return { run, symptom, suspects, tests: testsFor(suspects) };
}

export type Plan = { tree: DiagnosisTree | null; expectedMin: number; proven: boolean };

/** The cheapest way to the fault, of the suspects that are left. */
export function planTrouble({ suspects, tests }: Pick<Trouble, 'suspects' | 'tests'>, limits: SearchLimits): Plan {
  const slot = new Map(suspects.map(({ id }, at) => [id, at]));
  const { tree, cost, proven } = diagnose(
    {
      odds: Float64Array.from(suspects, ({ odds }) => odds),
      mendMin: Float64Array.from(suspects, ({ mendMin }) => mendMin),
      tests: tests.map(({ minutes, finds }) => ({ minutes, finds: finds.flatMap((id) => slot.get(id) ?? []) })),
    },
    limits,
  );
  return { tree, expectedMin: cost, proven };
}

export type Answer = { id: string; yes: boolean };

/** Suspects that are left after answers: `yes` to a test keeps what it finds, `no` the others; a mend that did not help rules it out. */
export function leftAfter(
  { suspects, tests }: Pick<Trouble, 'suspects' | 'tests'>,
  answers: readonly Answer[],
): { left: Suspect[]; contradiction: boolean } {
  let left = suspects;
  for (const { id, yes } of answers) {
    const test = tests.find((one) => one.id === id);
    const keeps = test ? (one: Suspect) => test.finds.includes(one.id) === yes : (one: Suspect) => one.id !== id;
    left = left.filter(keeps);
  }
  return { left, contradiction: left.length === 0 };
}

/** Fewest answers that cannot all be true, as places in the list: two of them where two are enough. */
export function contradictingAnswers(
  trouble: Pick<Trouble, 'suspects' | 'tests'>,
  answers: readonly Answer[],
): number[] {
  const places = answers.map((_, at) => at);
  const clash = (some: readonly number[]) =>
    leftAfter(
      trouble,
      some.map((at) => answers[at] as Answer),
    ).contradiction;
  if (!clash(places)) return [];
  const pair = places.flatMap((a) => places.filter((b) => b > a && clash([a, b])).map((b) => [a, b]))[0];
  if (pair) return pair;
  // What can be left out without the rest agreeing is not needed for it.
  return places.reduce((kept, at) => {
    const less = kept.filter((one) => one !== at);
    return clash(less) ? less : kept;
  }, places);
}
