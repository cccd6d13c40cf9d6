import { components } from '../../base/solve/components';
import type { SearchLimits } from '../../base/solve/limits';
import {
  type Action,
  addThing,
  COMES,
  LEAVES,
  MOST_THINGS,
  noThings,
  type SequencingProblem,
  STAYS,
  type Thing,
  type Way,
} from '../../base/solve/sequencing/problem';
import { sequence } from '../../base/solve/sequencing/sequence';
import { counted } from '../../base/text/counted';
import { groupBy } from '../../base/text/groupBy';
import { naturalOrder } from '../../base/text/naturalOrder';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Cutover } from '../../job/records/cutover';
import type { Stopgap } from '../../job/records/stopgap';
import type { BuildStep } from './buildStep';
import type { ServicePart } from './serviceWays';

/** Minutes dark count first, then what is parked, then ways from cabinet to cabinet. */
const PARK_POINTS = 0.02;
const WALK_POINTS = 0.0005;
/** Walking is looked at where there are so few things that it does not keep the search from its end. */
const WALKED_THINGS = 20;
/** Two share work that is done cord by cord. Common practice, no source. */
const TWO_SHARE = 0.6;
const SHARED: ReadonlySet<BuildStep['kind']> = new Set(['cord', 'link', 'plug', 'land', 'outlet', 'pull', 'test']);

/** A thing of the sequence: one step, or several that go together. */
type Bundle = { steps: readonly BuildStep[] };

export type Entry = {
  step: BuildStep;
  action: Action;
  phase: 'before' | 'cutover' | 'after';
};

/** A single change that would let it be done: so many more may stand out, or a help of the hour. */
export type Let = { words: string; parkLimit: number | null; stopgap: Pick<Stopgap, 'step' | 'frees'> | null };

export type Ordered = {
  entries: Entry[];
  /** Weighted minutes dark, and the least that any order has. Null: there is no order. */
  cost: number | null;
  bound: number;
  proven: boolean;
  /** What a single change would let it be done, where there is no order. */
  lets: Let[];
  parked: number;
};

/** In which order trades go, where nothing else says so: what others stand on first. Common practice, no source. */
const RANK: Record<BuildStep['kind'], number> = {
  records: 0,
  circuit: 5,
  'rack-in': 10,
  pull: 20,
  gear: 30,
  land: 40,
  outlet: 45,
  test: 48,
  link: 50,
  plug: 55,
  cord: 60,
  'rack-out': 90,
};
export const rankOf = ({ kind, turn, takeMin }: BuildStep): number =>
  RANK[kind] + (turn === 'out' && takeMin > 0 ? 25 : 0);

/** Minutes of a step's part by so many hands, the first of its kind. */
export function firstMinutes(step: BuildStep, action: Action, hands: number): number {
  const minutes =
    action === 'move'
      ? step.takeMin + step.putMin
      : action === 'park' || action === 'remove'
        ? step.takeMin
        : step.putMin;
  return hands > 1 && SHARED.has(step.kind) ? minutes * TWO_SHARE : minutes;
}

/**
 * The order of the steps: what touches nothing that is up goes before or after, in the order of the trades; what darkens or
 * blocks something is brought into the order with the least weighted minutes dark, then the fewest parkings, then the least
 * walking.
 */
export function orderSteps(
  job: Job,
  steps: readonly BuildStep[],
  parts: readonly ServicePart[],
  cutover: Pick<Cutover, 'parkLimit' | 'hands'>,
  pins: readonly { first: string; next: string }[],
  limits: SearchLimits,
  stopgaps: readonly Stopgap[] = [],
): Ordered {
  const pinned = withPins(steps, pins);
  const inside = touching(pinned, parts);
  const outside = pinned.filter((step) => !inside.has(step.id));
  const later = after(pinned, inside);
  const groups = apart(
    pinned.filter((step) => inside.has(step.id)),
    parts,
  );
  const line = (phase: Entry['phase'], list: readonly BuildStep[]): Entry[] =>
    inTradeOrder(list).map((step) => ({ step, action: wholeAction(step), phase }));
  const solved = groups.map((group, at) => {
    const bundles = bundled(group);
    const problem = helped(problemOf(job, bundles, parts, cutover), bundles, stopgaps);
    // What time there is, is shared by those that are still to be solved.
    const now = limits.now();
    const own = { ...limits, untilMs: now + (limits.untilMs - now) / (groups.length - at) };
    const made = sequence(problem, own);
    const entries = (made.steps ?? []).flatMap(({ thing, action }) => {
      const bundle = bundles[thing];
      return (bundle?.steps ?? []).map(
        (step): Entry => ({
          step,
          action: bundle?.steps.length === 1 || action === 'park' || action === 'fetch' ? action : wholeAction(step),
          phase: 'cutover',
        }),
      );
    });
    return { ...made, entries, lets: made.steps === null ? whatLets(problem, bundles, own) : [] };
  });
  const middle = solved.flatMap(({ entries }) => entries);
  const none = solved.some(({ steps: found }) => found === null);
  return {
    entries: [
      ...line(
        'before',
        outside.filter((step) => !later.has(step.id)),
      ),
      ...middle,
      ...line(
        'after',
        outside.filter((step) => later.has(step.id)),
      ),
    ],
    cost: none ? null : solved.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
    bound: solved.reduce((sum, { bound }) => sum + bound, 0),
    proven: solved.every(({ proven }) => proven),
    lets: solved.flatMap(({ lets }) => lets),
    parked: middle.filter(({ action }) => action === 'park').length,
  };
}

const wholeAction = ({ turn }: BuildStep): Action => (turn === 'in' ? 'bring' : turn === 'out' ? 'remove' : 'move');

function withPins(steps: readonly BuildStep[], pins: readonly { first: string; next: string }[]): BuildStep[] {
  const ids = new Set(steps.map(({ id }) => id));
  const before = groupBy(
    pins.filter(({ first, next }) => ids.has(first) && ids.has(next)),
    ({ next }) => next,
  );
  return steps.map((step) => {
    const firsts = (before.get(step.id) ?? []).map(({ first }) => first);
    return firsts.length === 0
      ? step
      : { ...step, takeNeeds: [...step.takeNeeds, ...firsts], putNeeds: [...step.putNeeds, ...firsts] };
  });
}

const needsOf = (step: BuildStep): string[] => [
  ...step.clearOf,
  ...step.takeNeeds,
  ...step.putNeeds,
  ...step.blockedBy,
];

/** Steps that are brought into order by the solver: what services go through, what blocks, and what stands between such. */
function touching(steps: readonly BuildStep[], parts: readonly ServicePart[]): Set<string> {
  const ids = new Set(steps.map(({ id }) => id));
  const inside = new Set(
    parts.flatMap(({ ways }) => ways.flatMap((way) => way.map(({ step }) => step))).filter((id) => ids.has(id)),
  );
  for (const step of steps) {
    if (step.blockedBy.length === 0) continue;
    inside.add(step.id);
    for (const id of step.blockedBy) inside.add(id);
  }
  if (inside.size === 0) return inside;
  // What needs one of them and is needed by another stands between them.
  const byId = new Map(steps.map((step) => [step.id, step]));
  const reach = (start: Iterable<string>, next: (id: string) => readonly string[]): Set<string> => {
    const seen = new Set<string>();
    const queue = [...start];
    for (let id = queue.pop(); id !== undefined; id = queue.pop())
      for (const other of next(id))
        if (!seen.has(other)) {
          seen.add(other);
          queue.push(other);
        }
    return seen;
  };
  const needed = reach(inside, (id) => {
    const step = byId.get(id);
    return step ? needsOf(step) : [];
  });
  const neededBy = new Map<string, string[]>();
  for (const step of steps) for (const id of needsOf(step)) neededBy.set(id, [...(neededBy.get(id) ?? []), step.id]);
  const dependent = reach(inside, (id) => neededBy.get(id) ?? []);
  for (const id of needed) if (dependent.has(id)) inside.add(id);
  return inside;
}

/** Steps outside that need one inside, directly or over others. */
function after(steps: readonly BuildStep[], inside: ReadonlySet<string>): Set<string> {
  const later = new Set<string>();
  for (let grew = true; grew; ) {
    grew = false;
    for (const step of steps)
      if (
        !inside.has(step.id) &&
        !later.has(step.id) &&
        (needsOf(step).some((id) => inside.has(id) || later.has(id)) || (inside.size > 0 && step.turn === 'out'))
      ) {
        later.add(step.id);
        grew = true;
      }
  }
  return later;
}

/** Where one stands for a step: a room, a cabinet, or the desk. */
const spotOf = ({ at, place }: BuildStep): string => (at === 'desk' ? 'desk' : `${at} ${place}`);

/**
 * Steps by rank, each behind what it needs. Within a rank each place is gone to once, and the next rank begins where the last one
 * ended: forth in one, back in the next.
 */
export function inTradeOrder(steps: readonly BuildStep[]): BuildStep[] {
  const spots = new Map([...new Set(steps.map(spotOf))].sort(naturalOrder).map((spot, at) => [spot, at]));
  const turns = new Map(
    [...new Set(steps.map(rankOf))].sort((a, b) => a - b).map((rank, at) => [rank, at % 2 === 0 ? 1 : -1]),
  );
  const along = (step: BuildStep) => (turns.get(rankOf(step)) ?? 1) * (spots.get(spotOf(step)) ?? 0);
  const waiting = [...steps].sort((a, b) => rankOf(a) - rankOf(b) || along(a) - along(b));
  const left = new Set(waiting.map(({ id }) => id));
  const done: BuildStep[] = [];
  while (waiting.length > 0) {
    const at = waiting.findIndex((step) => needsOf(step).every((id) => !left.has(id)));
    // A circle of needs outside the cut-over cannot be: what is left goes in its rank.
    const [next] = waiting.splice(Math.max(0, at), 1);
    if (!next) break;
    left.delete(next.id);
    done.push(next);
  }
  return done;
}

/**
 * Steps in groups that have nothing to do with each other: no place, no need, no service in common. Each is brought into order
 * for itself; one after the other they are as good as any order of all. What matters least goes first.
 */
function apart(steps: readonly BuildStep[], parts: readonly ServicePart[]): BuildStep[][] {
  const at = new Map(steps.map(({ id }, slot) => [id, slot]));
  const links: [number, number][] = [];
  const join = (ids: readonly string[]) => {
    const slots = ids.flatMap((id) => at.get(id) ?? []);
    for (const slot of slots.slice(1)) links.push([slots[0] ?? slot, slot]);
  };
  for (const step of steps) join([step.id, ...needsOf(step)]);
  const weights = new Map<string, number>();
  for (const { ways, weight } of parts) {
    const ids = ways.flatMap((way) => way.map(({ step }) => step));
    join(ids);
    for (const id of ids) weights.set(id, Math.max(weights.get(id) ?? 0, weight));
  }
  const weightOf = (group: readonly number[]) =>
    Math.max(...group.map((slot) => weights.get(steps[slot]?.id ?? '') ?? 0));
  return components(steps.length, links)
    .sort((a, b) => weightOf(a) - weightOf(b))
    .map((group) => group.flatMap((slot) => steps[slot] ?? []));
}

/**
 * Steps that go together: runs from one panel to another, their cords, and, where there are still more than the solver takes,
 * all of a kind at one device.
 */
function bundled(steps: readonly BuildStep[]): Bundle[] {
  const keys: ((step: BuildStep) => string)[] = [
    (step) => step.id,
    (step) => step.together ?? step.id,
    (step) => step.together ?? (step.kind === 'gear' ? step.id : `${step.kind} ${step.turn} ${step.gearId ?? ''}`),
    (step) => (step.kind === 'gear' ? step.id : `${step.kind} ${step.turn}`),
  ];
  for (const key of keys) {
    const bundles = [...groupBy([...steps], key).values()].map((list) => ({ steps: inTradeOrder(list) }));
    if (bundles.length <= MOST_THINGS) return bundles;
  }
  return [{ steps: inTradeOrder(steps) }];
}

function problemOf(
  job: Job,
  bundles: readonly Bundle[],
  parts: readonly ServicePart[],
  { parkLimit, hands }: Pick<Cutover, 'parkLimit' | 'hands'>,
): SequencingProblem {
  const of = new Map(bundles.flatMap(({ steps }, at) => steps.map((step) => [step.id, at] as const)));
  const setOf = (ids: readonly string[], own: number) => {
    const set = noThings();
    for (const id of ids) {
      const at = of.get(id);
      if (at !== undefined && at !== own) addThing(set, at);
    }
    return set;
  };
  const racks = Object.keys(job.racks);
  const { placementOfGear } = indexJob(job);
  const things = bundles.map(({ steps }, at): Thing => {
    const turns = new Set(steps.map(({ turn }) => turn));
    const kind = turns.size === 1 && turns.has('in') ? COMES : turns.size === 1 && turns.has('out') ? LEAVES : STAYS;
    const sum = (pick: (step: BuildStep) => number) => steps.reduce((total, step) => total + pick(step), 0);
    return {
      kind,
      takeMin: sum((step) => firstMinutes(step, 'remove', hands)),
      putMin: sum((step) => firstMinutes(step, 'bring', hands)),
      canPark: steps.every((step) => step.turn === 'move' && step.canPark),
      takesRoom: steps.some((step) => step.kind === 'gear'),
      place: racks.indexOf(placementOfGear.get(steps[0]?.gearId ?? '')?.rackId ?? ''),
      oldInWay: setOf(
        steps.flatMap(({ blockedBy }) => blockedBy),
        at,
      ),
      newInWay: noThings(),
      takeClear: setOf(
        steps.flatMap(({ clearOf }) => clearOf),
        at,
      ),
      takeNeeds: setOf(
        steps.flatMap(({ takeNeeds }) => takeNeeds),
        at,
      ),
      putNeeds: setOf(
        steps.flatMap(({ putNeeds }) => putNeeds),
        at,
      ),
    };
  });
  const services = parts.map(({ weight, ways }) => ({
    weight,
    counts: true,
    ways: ways.flatMap((way): Way[] => {
      const made: Way = { old: noThings(), new: noThings(), either: noThings() };
      for (const { step, at } of way) {
        const thing = of.get(step);
        if (thing === undefined) continue;
        addThing(at === 'any' ? made.either : made[at], thing);
      }
      return [made];
    }),
  }));
  return {
    things,
    services,
    parkLimit,
    parkPenalty: PARK_POINTS,
    walkPoints: racks.length > 1 && things.length <= WALKED_THINGS ? WALK_POINTS : 0,
  };
}

/** A thing with what a help of the hour makes free for it. */
const freed = (thing: Thing, frees: Stopgap['frees']): Thing => ({
  ...thing,
  ...(frees === 'park' ? { canPark: true } : {}),
  ...(frees === 'place' ? { oldInWay: noThings() } : {}),
  ...(frees === 'clear' ? { takeClear: noThings() } : {}),
  ...(frees === 'take' ? { takeNeeds: noThings() } : {}),
  ...(frees === 'put' ? { putNeeds: noThings() } : {}),
});

function helped(
  problem: SequencingProblem,
  bundles: readonly Bundle[],
  stopgaps: readonly Stopgap[],
): SequencingProblem {
  if (stopgaps.length === 0) return problem;
  return {
    ...problem,
    things: problem.things.map((thing, at) =>
      stopgaps
        .filter(({ step }) => bundles[at]?.steps.some(({ id }) => id === step))
        .reduce((now, { frees }) => freed(now, frees), thing),
    ),
  };
}

/** Single changes after which there is an order. */
function whatLets(problem: SequencingProblem, bundles: readonly Bundle[], limits: SearchLimits): Let[] {
  const can = (changed: SequencingProblem) => sequence({ ...changed, services: [] }, limits).steps !== null;
  const lets: Let[] = [];
  const add = (words: string, parkLimit: number | null, stopgap: Let['stopgap']) =>
    lets.push({ words, parkLimit, stopgap });
  if (can({ ...problem, parkLimit: problem.parkLimit + 1 }))
    add(
      `Let ${counted(problem.parkLimit + 1, 'device')} stand out of the cabinet at once.`,
      problem.parkLimit + 1,
      null,
    );
  problem.things.forEach((thing, at) => {
    const first = bundles[at]?.steps[0];
    if (!first) return;
    const help = (frees: Stopgap['frees'], words: string) => {
      const things = problem.things.map((one, slot) => (slot === at ? freed(one, frees) : one));
      if (can({ ...problem, things })) add(`${first.words}: ${words}`, null, { step: first.id, frees });
    };
    const holds = ({ lo, hi }: Thing['takeNeeds']) => lo !== 0 || hi !== 0;
    if (!thing.canPark && thing.kind === STAYS) help('park', 'let it be taken out and set aside first.');
    if (holds(thing.oldInWay)) help('place', 'a place for it for the time being, one that nothing stands in today.');
    const temporary = 'a temporary cord or device, so that it need not wait for the others.';
    if (holds(thing.takeClear)) help('clear', temporary);
    if (holds(thing.takeNeeds)) help('take', temporary);
    if (holds(thing.putNeeds)) help('put', temporary);
  });
  return lets.slice(0, 6);
}
