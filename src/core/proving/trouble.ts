import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { takesPower } from '../power/poe';
import { portKey } from '../records/portKey';
import type { Run } from '../records/run';
import { diagnose } from '../solve/diagnosis/diagnose';
import type { DiagnosisTree } from '../solve/diagnosis/problem';
import type { SearchLimits } from '../solve/limits';

/** What is seen of a run that is not as it should be. */
export const SYMPTOMS = ['dark', 'slow', 'errors', 'no power', 'restarts', 'half duplex'] as const;
export type Symptom = (typeof SYMPTOMS)[number];

/** A part of the path that may be the fault. */
export type Suspect = { id: string; words: string; odds: number; mend: string; mendMin: number };
export type TroubleTest = {
  id: string;
  words: string;
  yes: string;
  no: string;
  minutes: number;
  finds: readonly string[];
};
export type Trouble = { run: Run; symptom: Symptom; suspects: Suspect[]; tests: TroubleTest[] };

type PartId =
  | 'device'
  | 'device-cord'
  | 'outlet-jack'
  | 'cable'
  | 'panel-jack'
  | 'patch-cord'
  | 'port'
  | 'power'
  | 'switch'
  | 'uplink';

/**
 * Odds of each part by what is seen. Rules of thumb, no source: cord and device before the wall, jacks before the cable.
 */
const ODDS: Record<Symptom, Partial<Record<PartId, number>>> = {
  dark: {
    device: 24,
    'device-cord': 22,
    'patch-cord': 14,
    'outlet-jack': 12,
    'panel-jack': 9,
    port: 8,
    cable: 4,
    power: 3,
    uplink: 2,
    switch: 2,
  },
  slow: { 'device-cord': 26, 'patch-cord': 14, 'outlet-jack': 22, 'panel-jack': 16, device: 10, cable: 7, port: 5 },
  errors: { 'device-cord': 20, 'patch-cord': 13, 'outlet-jack': 22, 'panel-jack': 16, cable: 16, device: 8, port: 5 },
  'no power': {
    power: 26,
    port: 12,
    device: 20,
    'device-cord': 16,
    'outlet-jack': 10,
    'panel-jack': 8,
    'patch-cord': 6,
    cable: 2,
  },
  restarts: {
    power: 30,
    device: 24,
    'outlet-jack': 14,
    'panel-jack': 10,
    'device-cord': 10,
    cable: 6,
    'patch-cord': 6,
  },
  'half duplex': { port: 45, device: 45, 'device-cord': 5, 'patch-cord': 5 },
};

/** A part that runs with the same trouble share is so many times likelier; one that a sound run uses, so many times less. */
const SHARED_WITH_DEAD = 8;
const SHARED_WITH_SOUND = 0.04;

/**
 * What may be wrong with a run, with the odds of each, the tests that part them, and what else is known of other runs.
 * @param dead runs that have the same trouble
 * @param sound runs that work
 */
export function troubleOf(
  job: Job,
  run: Run,
  symptom: Symptom,
  dead: readonly string[] = [],
  sound: readonly string[] = [],
): Trouble {
  const index = indexJob(job);
  const landing = index.landingOfRun.get(run.id);
  const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
  const device = job.gear[cord?.switchId ?? ''];
  const panel = job.gear[landing?.panelId ?? ''];
  const powered = takesPower(run);
  const switchOf = (runId: string): string | undefined => {
    const place = index.landingOfRun.get(runId);
    return place && index.cordAtPanelPort.get(portKey(place.panelId, place.port))?.switchId;
  };
  const share = (odds: number): number => {
    if (!device) return 0;
    const others = (ids: readonly string[]) => ids.filter((id) => id !== run.id && switchOf(id) === device.id).length;
    return odds * SHARED_WITH_DEAD ** Math.min(2, others(dead)) * SHARED_WITH_SOUND ** Math.min(1, others(sound));
  };
  const odds = ODDS[symptom];
  const what = run.device || 'the device';
  const all: (Suspect & { part: PartId })[] = [
    {
      part: 'device',
      id: 'device',
      words: `${what} itself`,
      odds: odds.device ?? 0,
      mend: `Change ${what}, or set it up anew`,
      mendMin: 15,
    },
    {
      part: 'device-cord',
      id: 'device-cord',
      words: 'The cord from the outlet to the device',
      odds: odds['device-cord'] ?? 0,
      mend: 'Change the cord at the device',
      mendMin: 2,
    },
    {
      part: 'outlet-jack',
      id: 'outlet-jack',
      words: `The jack of run ${run.label} at the outlet`,
      odds: odds['outlet-jack'] ?? 0,
      mend: 'End the outlet jack anew',
      mendMin: 10,
    },
    {
      part: 'cable',
      id: 'cable',
      words: `The cable of run ${run.label}`,
      odds: odds.cable ?? 0,
      mend: 'Take a spare run, or pull a new one',
      mendMin: 60,
    },
    {
      part: 'panel-jack',
      id: 'panel-jack',
      words: panel && landing ? `${panel.name} port ${landing.port}` : 'The end at the panel',
      odds: odds['panel-jack'] ?? 0,
      mend: 'End the panel port anew',
      mendMin: 8,
    },
    {
      part: 'patch-cord',
      id: 'patch-cord',
      words: cord
        ? `The cord to ${device?.name ?? 'the switch'} port ${cord.switchPort}`
        : 'The patch cord (none is planned)',
      odds: odds['patch-cord'] ?? 0,
      mend: 'Change the patch cord',
      mendMin: 2,
    },
    {
      part: 'port',
      id: 'port',
      words:
        device && cord
          ? `${device.name} port ${cord.switchPort}, or how it is set`
          : 'The switch port, or how it is set',
      odds: odds.port ?? 0,
      mend: 'Set the port as planned, or take another',
      mendMin: 5,
    },
    {
      part: 'power',
      id: 'power',
      words: `The power for ${what}: class, budget, or volts at its end`,
      odds: powered || symptom === 'no power' ? (odds.power ?? 0) : 0,
      mend: 'Free watts, or take a port that has them',
      mendMin: 10,
    },
    {
      part: 'switch',
      id: 'switch',
      words: device ? device.name : 'The switch',
      odds: share(odds.switch ?? 0),
      mend: 'Start the switch anew, or change it',
      mendMin: 20,
    },
    {
      part: 'uplink',
      id: 'uplink',
      words: device ? `The uplink of ${device.name}` : 'The uplink',
      odds: share(odds.uplink ?? 0),
      mend: 'Change the uplink cord or its modules',
      mendMin: 6,
    },
  ];
  const suspects = all.filter((one) => one.odds > 0).map(({ part: _, ...one }) => one);
  const there = new Set(suspects.map(({ id }) => id));
  const tests = TESTS.map((test) => ({ ...test, finds: test.finds.filter((id) => there.has(id)) })).filter(
    ({ finds }) => finds.length > 0 && finds.length < suspects.length,
  );
  return { run, symptom, suspects, tests };
}

/** Tests that a person with cords, a laptop and a wire tester can do. Minutes by rule of thumb, no source. */
const TESTS: readonly TroubleTest[] = [
  {
    id: 'lamp',
    words: 'Look at the lamp and the settings of the switch port: is it switched off, forced, or in another network?',
    yes: 'something is not as planned',
    no: 'all as planned',
    minutes: 1,
    finds: ['port'],
  },
  {
    id: 'others',
    words: 'Do other devices on the same switch work?',
    yes: 'none of them',
    no: 'they work',
    minutes: 1,
    finds: ['switch', 'uplink'],
  },
  {
    id: 'budget',
    words: 'Look at the watts of the switch: over its budget, denied, or of a class that the port does not give?',
    yes: 'it is',
    no: 'there is enough',
    minutes: 2,
    finds: ['power'],
  },
  {
    id: 'good-device',
    words: 'Put a device that is known to be good, with its own cord, on the outlet. Does it work there?',
    yes: 'it works',
    no: 'it has the same trouble',
    minutes: 4,
    finds: ['device', 'device-cord'],
  },
  {
    id: 'device-elsewhere',
    words: 'Take the device to another outlet that works, with another cord. Does the trouble go with it?',
    yes: 'it does',
    no: 'it works there',
    minutes: 6,
    finds: ['device'],
  },
  {
    id: 'good-cord',
    words: 'Patch the panel port with a good cord to a switch port that works. Does it work now?',
    yes: 'it works',
    no: 'the same trouble',
    minutes: 3,
    finds: ['patch-cord', 'port'],
  },
  {
    id: 'wire-map',
    words: 'Test the run from panel port to outlet with the wire tester. Does it fail?',
    yes: 'it fails',
    no: 'it passes',
    minutes: 5,
    finds: ['outlet-jack', 'cable', 'panel-jack'],
  },
  {
    id: 'length',
    words: 'Measure the pairs from the panel: does one end within 2 m?',
    yes: 'it ends here',
    no: 'it does not',
    minutes: 4,
    finds: ['panel-jack'],
  },
];

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

/** Suspects that are left after answers: `yes` to a test keeps what it finds, `no` the others; a mend that did not help rules it out. */
export function leftAfter(
  { suspects, tests }: Trouble,
  answers: readonly { id: string; yes: boolean }[],
): { left: Suspect[]; contradiction: boolean } {
  let left = suspects;
  for (const { id, yes } of answers) {
    const test = tests.find((one) => one.id === id);
    const keeps = test ? (one: Suspect) => test.finds.includes(one.id) === yes : (one: Suspect) => one.id !== id;
    left = left.filter(keeps);
  }
  return { left, contradiction: left.length === 0 };
}
