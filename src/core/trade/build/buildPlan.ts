import type { SearchLimits } from '../../base/solve/limits';
import { minutesOfHour, timeAfter, weekdayOf } from '../../base/text/days';
import { applyChanges } from '../../job/document/change';
import { emptyJob, type Job, type TableName } from '../../job/document/job';
import { type Cutover, cutovers } from '../../job/records/cutover';
import type { Tick } from '../../job/records/tick';
import type { UpHours } from '../../job/records/upHours';
import type { Visit } from '../../job/records/visit';
import type { BuildStep } from './buildStep';
import { deriveSteps } from './deriveSteps';
import { type Estimate, estimateOf, paceTimer } from './estimate';
import { type Entry, firstMinutes, type Ordered, orderSteps } from './orderSteps';
import { type Pace, pacesOf } from './pace';
import { type ServicePart, serviceParts, withDarkness } from './serviceWays';
import { type Stage, stagesOf } from './stages';
import { stopgapSteps, withStopgaps } from './stopgapSteps';
import { lastMomentMin, withBreaks } from './timing';

/** A step in its place: when, how long, what is dark meanwhile. */
export type Planned = Stage & {
  /** Key of its tick: a device that is set aside has one for that too. */
  key: string;
  minutes: number;
  visit: Visit | null;
  /** Minutes after the beginning of its visit, or of the work where it has none. */
  startMin: number;
  /** Local time, as `2026-11-27T18:30`; null: it has no visit. */
  startsAt: string | null;
};

export type VisitPlan = {
  visit: Visit;
  planned: Planned[];
  workMin: number;
  /** With breaks and the look at the end. */
  wholeMin: number;
  /** The last moment to go on, minutes after its beginning; null: nothing in it is touched that is up. */
  lastMin: number | null;
  endsSafe: boolean;
};

export type ServiceDark = {
  service: string;
  minutes: number;
  stretches: { from: string | null; to: string | null; minutes: number; share: number }[];
};

export type BuildPlan = {
  cutover: Cutover;
  /** All steps, those that are ticked too. */
  steps: BuildStep[];
  tickOf: ReadonlyMap<string, Tick>;
  parts: ServicePart[];
  order: Ordered;
  /** What the best order without anybody's pins costs; null: none is pinned, or there is no order. */
  freeCost: number | null;
  /** What is left to do, in order. */
  planned: Planned[];
  visits: VisitPlan[];
  /** Minutes that no visit holds. */
  unplacedMin: number;
  workMin: number;
  /** The estimate of what is left. */
  range: Estimate;
  /** When the last step that has a visit is done. */
  endsAt: string | null;
  dark: ServiceDark[];
  paces: Pace[];
  /** The job as it stands now: today with what is ticked. */
  present: Job;
};

export const cutoverOf = (job: Job): Cutover => Object.values(job.cutovers)[0] ?? cutovers.make({ id: 'cutover' });

/** Key of the tick of an entry. */
export const tickKey = ({ step, action }: Entry): string => (action === 'park' ? `park-${step.id}` : step.id);

/** Rows that say where something stands, hangs or is plugged in. */
const SET_ASIDE: ReadonlySet<TableName> = new Set(['placements', 'shelvings', 'landings', 'cords', 'plugs']);

/** What stands now: today, and all that is ticked as done. */
export function presentJob(today: Job | null, plan: Job, steps: readonly BuildStep[]): Job {
  const start = today ?? emptyJob({ id: plan.id, name: plan.name, units: plan.units, rules: plan.rules });
  const done = new Map(Object.values(plan.ticks).map((tick) => [tick.step, tick]));
  const isDone = (key: string) => done.get(key)?.state === 'done';
  const changes = steps.flatMap((step) => (isDone(step.id) ? step.changes : []));
  const present = applyChanges(start, changes);
  return withoutSetAside(
    present,
    steps.filter((step) => isDone(`park-${step.id}`) && !isDone(step.id)),
  );
}

/** The job without what is set aside: it stands, hangs and is plugged in nowhere. */
export function withoutSetAside(job: Job, aside: readonly BuildStep[]): Job {
  if (aside.length === 0) return job;
  const gone = new Map<TableName, Set<string>>();
  for (const { table, id } of aside.flatMap((step) => step.changes))
    if (table !== null && SET_ASIDE.has(table)) gone.set(table, (gone.get(table) ?? new Set()).add(id));
  const tables = [...gone].map(([table, ids]) => [
    table,
    Object.fromEntries(Object.entries(job[table]).filter(([id]) => !ids.has(id))),
  ]);
  return { ...job, ...Object.fromEntries(tables) };
}

/** Weights that the job gives its services. */
const weightsOf = (job: Job): Map<string, number> =>
  new Map(
    Object.values(job.upHours).flatMap(({ service, weight }) => (weight === null ? [] : [[service, weight] as const])),
  );

/**
 * The whole of the build from what stands to the plan: steps, their order, when, what is dark, and when it ends.
 * @param today what stood when the build began; null: nothing
 */
export function buildPlan(today: Job | null, plan: Job, limits: SearchLimits): BuildPlan {
  const cutover = cutoverOf(plan);
  const steps = deriveSteps(today, plan);
  const tickOf = new Map(Object.values(plan.ticks).map((tick) => [tick.step, tick]));
  const present = presentJob(today, plan, steps);
  const over = (key: string) => tickOf.get(key)?.state === 'done' || tickOf.get(key)?.state === 'skipped';
  const left = withDarkness(
    present,
    deriveSteps(present, plan).filter(({ id }) => !over(id)),
    weightsOf(plan),
    Object.values(plan.upHours),
  );
  // What was up when the build began counts, also where a step has taken it down meanwhile.
  const parts = serviceParts(today ?? present, plan, left, weightsOf(plan), Object.values(plan.upHours));
  const pins = Object.values(plan.orderPins);
  const stopgaps = Object.values(plan.stopgaps);
  steps.push(...stopgaps.flatMap((one) => stopgapSteps(one, steps)));
  const found = orderSteps(plan, left, parts, cutover, pins, limits, stopgaps);
  // A test of a run in service takes it down as long in any order.
  const testsCost = left.reduce(
    (sum, step) =>
      sum + (step.darkens ?? []).reduce((all, { weight }) => all + weight * (step.takeMin + step.putMin), 0),
    0,
  );
  const order = {
    ...found,
    cost: found.cost === null ? null : found.cost + testsCost,
    bound: found.bound + testsCost,
    entries: withStopgaps(found.entries, stopgaps, over),
  };
  const free = pins.length === 0 ? null : orderSteps(plan, left, parts, cutover, [], limits, stopgaps).cost;
  const freeCost = free === null ? null : free + testsCost;
  const stages = stagesOf(order.entries, parts);
  const firstMin = (step: BuildStep) => firstMinutes(step, 'move', cutover.hands);
  const paces = pacesOf(steps, Object.values(plan.ticks), firstMin, cutover.learning);
  const planned = timed(stages, cutover, paces);
  const visits = intoVisits(planned, cutover, Object.values(plan.visits));
  const placed = visits.flatMap((visit) => visit.planned);
  const inVisit = new Map(placed.map((one) => [one.key, one]));
  const all = planned.map((one) => inVisit.get(one.key) ?? one);
  const workMin = planned.reduce((sum, { minutes }) => sum + minutes, 0);
  const last = placed.at(-1);
  return {
    cutover,
    steps,
    tickOf,
    parts,
    order,
    freeCost,
    planned: all,
    visits,
    unplacedMin: estimateOf(all.flatMap(({ visit, minutes }) => (visit ? [] : [minutes]))).mean,
    workMin,
    range: estimateOf(planned.map(({ minutes }) => minutes)),
    endsAt: last?.visit
      ? timeAfter(last.visit.on, minutesOfHour(last.visit.from) + last.startMin + last.minutes)
      : null,
    dark: darkness(all),
    paces,
    present,
  };
}

/** Minutes of each step: the nth of its kind takes less, at the pace that was ticked. */
function timed(stages: readonly Stage[], cutover: Cutover, paces: readonly Pace[]): Planned[] {
  const minutesOf = paceTimer(cutover, paces);
  let startMin = 0;
  return stages.map((stage) => {
    const { step, action } = stage.entry;
    const minutes = minutesOf(step, action);
    const planned = { ...stage, key: tickKey(stage.entry), minutes, visit: null, startMin, startsAt: null };
    startMin += minutes;
    return planned;
  });
}

const byTime = (a: Visit, b: Visit): number =>
  a.on.localeCompare(b.on) || a.from.localeCompare(b.from) || a.name.localeCompare(b.name);

/**
 * Cut into visits: each ends where all is up and nothing stands out of the cabinet. In one night, the cut-over is not parted.
 * What does not fit before the end of a visit, with its breaks and the look at the end, waits for the next.
 */
function intoVisits(planned: readonly Planned[], cutover: Cutover, visits: readonly Visit[]): VisitPlan[] {
  const last = planned.findLastIndex(({ entry }) => entry.phase === 'cutover');
  const first = planned.findIndex(({ entry }) => entry.phase === 'cutover');
  const whole = cutover.school === 'one-night';
  const mayEnd = (at: number) => (planned[at]?.safe ?? false) && !(whole && first >= 0 && at >= first && at < last);
  let next = 0;
  return [...visits].sort(byTime).map((visit): VisitPlan => {
    const start = next;
    let [end, minutes, sum] = [start, 0, 0];
    for (let at = start; at < planned.length; at++) {
      const one = planned[at];
      if (!one || (one.entry.step.who === 'electrician' && !visit.electrician)) break;
      sum += one.minutes;
      if (withBreaks(sum, cutover.breakEveryMin, cutover.breakMin) + cutover.verifyMin > visit.minutes) break;
      if (mayEnd(at)) [end, minutes] = [at + 1, sum];
    }
    next = end;
    let startMin = 0;
    let worked = 0;
    const inside = planned.slice(start, end).map((one): Planned => {
      const breaks = Math.max(0, Math.floor(worked / cutover.breakEveryMin)) * cutover.breakMin;
      startMin = worked + breaks;
      worked += one.minutes;
      return { ...one, visit, startMin, startsAt: timeAfter(visit.on, minutesOfHour(visit.from) + startMin) };
    });
    const undo = longestUnsafe(inside);
    return {
      visit,
      planned: inside,
      workMin: minutes,
      wholeMin:
        inside.length === 0 ? 0 : withBreaks(minutes, cutover.breakEveryMin, cutover.breakMin) + cutover.verifyMin,
      lastMin: undo > 0 ? lastMomentMin(visit.minutes, undo, cutover.verifyMin) : null,
      endsSafe: inside.at(-1)?.safe ?? true,
    };
  });
}

/** Longest stretch between two points from which one may go back: so long it takes to undo at most. */
function longestUnsafe(planned: readonly Planned[]): number {
  let [longest, now] = [0, 0];
  for (const { safe, minutes, entry } of planned) {
    if (entry.phase !== 'cutover') continue;
    now += minutes;
    longest = Math.max(longest, now);
    if (safe) now = 0;
  }
  return longest;
}

/** When each service is dark, and how much of it: stretches that follow on each other are one. */
function darkness(planned: readonly Planned[]): ServiceDark[] {
  const services = new Map<string, ServiceDark>();
  const running = new Map<string, { from: string | null; to: string | null; minutes: number; share: number }>();
  for (const one of planned) {
    const { dark, minutes, startMin, visit } = one;
    const now = new Map(dark.map(({ service, share }) => [service, share]));
    for (const service of running.keys()) if (!now.has(service)) running.delete(service);
    for (const [service, share] of now) {
      const entry = services.get(service) ?? { service, minutes: 0, stretches: [] };
      services.set(service, entry);
      entry.minutes += minutes;
      const to = visit ? timeAfter(visit.on, minutesOfHour(visit.from) + startMin + minutes) : null;
      const there = running.get(service);
      if (there && (one.startsAt === null) === (there.from === null)) {
        there.to = to;
        there.minutes += minutes;
        there.share = Math.max(there.share, share);
      } else {
        const stretch = { from: one.startsAt, to, minutes, share };
        running.set(service, stretch);
        entry.stretches.push(stretch);
      }
    }
  }
  return [...services.values()].sort((a, b) => b.minutes - a.minutes);
}

/** Whether a service must be up at a time, as `2026-11-27T18:30`. */
export function mustBeUp(hours: UpHours, from: string, to: string): boolean {
  if (hours.from === null || hours.to === null) return false;
  const [day = '', start = '00:00'] = from.split('T');
  const [endDay = '', end = '00:00'] = to.split('T');
  if (hours.days === 'working' && weekdayOf(day) > 4 && weekdayOf(endDay) > 4) return false;
  const [a, b] = [minutesOfHour(hours.from), minutesOfHour(hours.to)];
  const [s, e] = [minutesOfHour(start), minutesOfHour(end) + (endDay === day ? 0 : 1440)];
  // Hours that go over midnight are two.
  const spans =
    a < b
      ? [[a, b]]
      : [
          [a, 1440],
          [0, b],
        ];
  return spans.some(([low = 0, high = 0]) => [0, 1440].some((shift) => s < high + shift && e > low + shift));
}
