import { seededRandom } from '../../base/solve/random';
import type { FaultPart, Symptom } from '../../job/records/mend';
import { oddsOf } from './odds';
import { type PathNames, type SharedPart, type Suspect, suspectsOf, type TroubleTest, testsFor } from './suspects';
import { type Answer, leftAfter, planTrouble } from './trouble';

type Level = {
  title: string;
  symptom: Symptom;
  /** Parts that may be the fault. */
  parts: readonly FaultPart[];
  faults: 1 | 2;
};

const CORDS = ['device-cord', 'patch-cord'] as const;
const JACKS = ['outlet-jack', 'panel-jack'] as const;
const SHARED = ['switch', 'uplink', 'supply'] as const;

/** Ten levels, from one broken cord to two faults at once. */
export const LEVELS: readonly Level[] = [
  { title: 'One broken cord', symptom: 'dark', parts: CORDS, faults: 1 },
  { title: 'A cord or the device', symptom: 'dark', parts: [...CORDS, 'device'], faults: 1 },
  { title: 'Cords or jacks', symptom: 'dark', parts: [...CORDS, ...JACKS], faults: 1 },
  { title: 'Slower than wanted', symptom: 'slow', parts: [...CORDS, ...JACKS, 'cable', 'port', 'device'], faults: 1 },
  {
    title: 'No power',
    symptom: 'no-power',
    parts: ['power', 'port', 'device', ...CORDS, ...JACKS, 'cable'],
    faults: 1,
  },
  { title: 'Others are dead too', symptom: 'dark', parts: [...CORDS, 'device', 'port', ...SHARED], faults: 1 },
  { title: 'Links, with errors', symptom: 'errors', parts: [...CORDS, ...JACKS, 'cable', 'device', 'port'], faults: 1 },
  { title: 'It restarts', symptom: 'restarts', parts: ['power', 'device', ...CORDS, ...JACKS, 'supply'], faults: 1 },
  {
    title: 'Only on warm afternoons',
    symptom: 'warm-afternoons',
    parts: ['switch', 'device', 'power', 'supply', 'uplink', ...JACKS, 'cable'],
    faults: 1,
  },
  { title: 'Two faults at once', symptom: 'dark', parts: [...CORDS, ...JACKS, 'device', 'port', 'power'], faults: 2 },
];

export type PracticeCase = {
  level: number;
  seed: number;
  title: string;
  symptom: Symptom;
  /** What somebody says on the telephone. */
  story: string;
  suspects: Suspect[];
  tests: TroubleTest[];
  /** Ids of what is broken: for the one who answers, not for the one who looks. */
  faults: readonly string[];
};

const ROOMS = ['Kiln room', 'Front desk', 'Workshop', 'Store', 'Loading door', 'Attic', 'Kitchen', 'Staff room'];
const DEVICES = ['the camera', 'the telephone', 'the desk computer', 'the access point', 'the printer', 'the till'];
const SEEN: Record<Symptom, string> = {
  dark: 'has no link at all',
  slow: 'links at 100 Mb/s and not at 1000',
  errors: 'links, but the switch counts errors',
  'no-power': 'gets no power over its cable',
  restarts: 'starts anew every few hours',
  'half-duplex': 'links at half duplex',
  'warm-afternoons': 'fails on warm afternoons only',
};

/** One of the suspects by their odds. @param at 0 to 1 */
function drawn(suspects: readonly Suspect[], at: number): string {
  let left = at * suspects.reduce((sum, { odds }) => sum + odds, 0);
  for (const { id, odds } of suspects) {
    left -= odds;
    if (left < 0) return id;
  }
  return suspects.at(-1)?.id ?? '';
}

/**
 * An invented case: the same level and seed give the same one.
 * @param level 1 to 10
 */
export function practiceCase(level: number, seed: number): PracticeCase {
  const { title, symptom, parts, faults } = LEVELS[level - 1] ?? (LEVELS[0] as Level);
  const random = seededRandom(level * 7919 + seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
  const device = pick(DEVICES);
  const room = pick(ROOMS);
  const shared = (part: SharedPart['part'], words: string): SharedPart[] =>
    parts.includes(part) ? [{ id: part, part, words, factor: part === 'supply' ? 6 : 8 }] : [];
  const path: PathNames = {
    label: String(1 + Math.floor(random() * 48)).padStart(2, '0'),
    device,
    panelPort: `Panel A port ${1 + Math.floor(random() * 24)}`,
    switchPort: `the switch, port ${1 + Math.floor(random() * 24)}`,
    powered: parts.includes('power'),
    shared: [
      ...shared('switch', 'The switch'),
      ...shared('uplink', 'The uplink of the switch'),
      ...shared('supply', 'What feeds the switch'),
    ],
  };
  const odds = new Map(oddsOf(null, symptom).map(({ part, share }) => [part, Math.max(share * 100, 1)]));
  const suspects = suspectsOf(path, symptom, odds).filter(({ part }) => parts.includes(part));
  const broken: string[] = [];
  while (broken.length < faults) {
    broken.push(
      drawn(
        suspects.filter(({ id }) => !broken.includes(id)),
        random(),
      ),
    );
  }
  const many = parts.includes('switch') && symptom === 'dark' ? ', and so have its neighbours, perhaps' : '';
  return {
    level,
    seed,
    title,
    symptom,
    story: `${device.charAt(0).toUpperCase()}${device.slice(1)} in the ${room.toLowerCase()}, on run ${path.label}, ${SEEN[symptom]}${many}.`,
    suspects,
    tests: testsFor(suspects),
    faults: broken,
  };
}

/** What a test of an invented case answers: yes where it finds one of the faults that are left. */
export const answerTo = ({ tests }: PracticeCase, testId: string, faults: readonly string[]): boolean =>
  tests.find(({ id }) => id === testId)?.finds.some((id) => faults.includes(id)) ?? false;

export type WayStep = { words: string; minutes: number; answer: string };

/**
 * The way with the least expected minutes, walked with this case's faults. With two faults it looks for one after the other
 * and is a good way, not a proven one.
 */
export function bestWay(given: PracticeCase): { steps: WayStep[]; minutes: number; proven: boolean } {
  const steps: WayStep[] = [];
  let faults = [...given.faults];
  let answers: Answer[] = [];
  let known = given.suspects;
  const asked = new Set<string>();
  let proven = given.faults.length === 1;
  while (faults.length > 0) {
    // Two tests may each have found another fault: where none is in both, only what they did not find is known.
    if (leftAfter({ suspects: known, tests: given.tests }, answers).contradiction)
      answers = answers.filter(({ yes }) => !yes);
    const { left } = leftAfter({ suspects: known, tests: given.tests }, answers);
    const tests = given.tests.filter(({ id }) => !asked.has(id));
    let looks = 0;
    const plan = planTrouble({ suspects: left, tests }, { seed: 1, now: () => looks++, untilMs: 100_000 });
    proven &&= plan.proven;
    if (plan.tree === null) break;
    if ('test' in plan.tree) {
      const test = tests[plan.tree.test] as TroubleTest;
      const yes = answerTo(given, test.id, faults);
      steps.push({ words: test.words, minutes: test.minutes, answer: yes ? test.yes : test.no });
      asked.add(test.id);
      // Of two faults one may answer yes here and the other there: what would leave nothing is set aside.
      const more = [...answers, { id: test.id, yes }];
      if (!leftAfter({ suspects: known, tests: given.tests }, more).contradiction) answers = more;
    } else {
      const one = left[plan.tree.mend] as Suspect;
      const hit = faults.includes(one.id);
      faults = faults.filter((id) => id !== one.id);
      known = known.filter(({ id }) => id !== one.id);
      if (hit) {
        answers = [];
        asked.clear();
      } else answers = [...answers, { id: one.id, yes: false }];
      steps.push({
        words: one.mend,
        minutes: one.mendMin,
        answer: hit ? (faults.length > 0 ? 'that was one; it still fails' : 'that was it') : 'it did not help',
      });
    }
  }
  return { steps, minutes: steps.reduce((sum, { minutes }) => sum + minutes, 0), proven };
}
