import { linksOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import type { UpHours } from '../../job/records/upHours';
import { type Service, servicesOf } from '../power/dependencies/services';
import { serviceWeight } from '../power/dependencies/singlePoints';
import type { BuildStep } from './buildStep';
import { stepId } from './stepParts';

/** What a service wants of a step: that its thing stands as before, as then, or either way. */
export type Want = { step: string; at: 'old' | 'new' | 'any' };
/** A part of a service, such as one camera: it is up while one of its ways stands. */
export type ServicePart = { service: string; weight: number; ways: readonly (readonly Want[])[] };

/** Simple paths that are tried between two devices, and the longest of them. */
const MOST_PATHS = 4;
const MOST_LINKS = 5;
const MOST_WAYS = 8;

/**
 * Services as they are today, each in its parts, with their ways through what is changed: over the old cord or the new one, over
 * each uplink that leads there. What is not touched stands in no way. Parts with the same ways are taken together.
 * @param weights by service, where the job says other than usual
 */
export function serviceParts(
  was: Job,
  is: Job,
  steps: readonly BuildStep[],
  weights: ReadonlyMap<string, number> = new Map(),
  hours: readonly UpHours[] = [],
): ServicePart[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const paths = pathsBetween(was, is, byId);
  const parts = new Map<string, ServicePart>();
  const add = (service: string, weight: number, ways: readonly Want[][]) => {
    // A way that wants nothing of what is changed always stands.
    if (ways.length === 0 || ways.some((way) => way.length === 0)) return;
    const least = withoutWider(ways);
    // What is gone for good in the plan is not missed on the way there.
    if (!least.some((way) => way.every(({ step, at }) => at !== 'old' && byId.get(step)?.turn !== 'out'))) return;
    const key = `${service} ${JSON.stringify(least)}`;
    const there = parts.get(key);
    parts.set(key, { service, weight: (there?.weight ?? 0) + weight, ways: least });
  };
  for (const service of servicesOf(indexJob(was)).map((one) => asSaid(was, one, hours))) {
    const weight = weights.get(service.name) ?? serviceWeight(service.name);
    if (service.runs.length > 0) {
      const share = weight / service.runs.length;
      for (const { id } of service.runs) add(service.name, share, runWays(was, is, byId, paths, id, service));
    } else if (service.needs.length > 0) add(service.name, weight, needWays(was, byId, paths, service));
  }
  return [...parts.values()];
}

/** Tests of runs in service with what each takes down while it lasts. */
export function withDarkness(
  was: Job,
  steps: readonly BuildStep[],
  weights: ReadonlyMap<string, number>,
  hours: readonly UpHours[],
): BuildStep[] {
  const services = servicesOf(indexJob(was)).map((one) => asSaid(was, one, hours));
  return steps.map((step) => {
    if (step.kind !== 'test' || step.turn !== 'move') return step;
    const darkens = services.flatMap(({ name, runs }) => {
      if (!runs.some(({ id }) => id === step.runId)) return [];
      return [
        { service: name, share: 1 / runs.length, weight: (weights.get(name) ?? serviceWeight(name)) / runs.length },
      ];
    });
    return { ...step, darkens };
  });
}

/** A service with what somebody says that it needs beside, and does not need. */
function asSaid(was: Job, service: Service, hours: readonly UpHours[]): Service {
  const said = hours.find((one) => one.service.toLowerCase() === service.name.toLowerCase());
  if (!said) return service;
  const without = new Set(said.without);
  const needs = service.needs
    .map((list) => list.filter(({ id }) => !without.has(id)))
    .filter((list) => list.length > 0);
  const beside = said.alsoNeeds.flatMap((id) => was.gear[id] ?? []).map((gear) => [gear]);
  return { ...service, needs: [...needs, ...beside] };
}

type Steps = ReadonlyMap<string, BuildStep>;
type Paths = (from: string, to: string) => Want[][];

/** What a device wants: itself, and what feeds it. */
function gearWants(was: Job, steps: Steps, gearId: string, seen: ReadonlySet<string> = new Set()): Want[] {
  if (seen.has(gearId)) return [];
  const wants = wantOf(steps, stepId('gear', gearId));
  const plugs = Object.values(was.plugs).filter((plug) => plug.gearId === gearId);
  // Of two supplies one is always in: one pair of hands.
  if (plugs.length !== 1) return wants;
  const [plug] = plugs;
  if (!plug) return wants;
  const carrier = plug.feedId === null ? [] : gearWants(was, steps, plug.feedId, new Set([...seen, gearId]));
  return [...wants, ...wantOf(steps, stepId('plug', plug.id)), ...carrier.filter(({ at }) => at === 'any')];
}

/** @param version what moves is wanted where that version has it; without, either way */
function wantOf(steps: Steps, id: string, version: 'old' | 'new' | 'any' = 'any'): Want[] {
  const step = steps.get(id);
  if (!step) return [];
  return [{ step: id, at: step.turn === 'in' ? 'new' : step.turn === 'out' ? 'old' : version }];
}

/** Ways from a run to the gateway, or to what its service needs. */
function runWays(was: Job, is: Job, steps: Steps, paths: Paths, runId: string, service: Service): Want[][] {
  const ways: Want[][] = [];
  for (const [job, version] of [
    [was, 'old'],
    [is, 'new'],
  ] as const) {
    const index = indexJob(job);
    const landing = index.landingOfRun.get(runId);
    const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
    if (!landing || !cord) continue;
    const access = [
      ...wantOf(steps, stepId('land', runId), version),
      ...gearWants(was, steps, landing.panelId),
      ...wantOf(steps, stepId('cord', cord.id), version),
    ];
    const targets = service.needs[0] ?? index.gearInOrder.filter(({ kind }) => kind === 'router').slice(0, 1);
    const reached = targets.flatMap(({ id }) => paths(cord.switchId, id));
    const rest = targets.length === 0 ? [gearWants(was, steps, cord.switchId)] : reached;
    for (const path of rest) ways.push(tidy([...access, ...path]));
  }
  return unique(ways);
}

/** Ways of a service of the cabinet itself: one of each list, joined. */
function needWays(was: Job, steps: Steps, paths: Paths, { needs }: Service): Want[][] {
  let ways: { gear: Gear[]; wants: Want[] }[] = [{ gear: [], wants: [] }];
  for (const list of needs)
    ways = ways
      .flatMap(({ gear, wants }) =>
        list.flatMap((one) => {
          const [before] = gear;
          const own = gearWants(was, steps, one.id);
          const joined = before ? paths(before.id, one.id) : [[]];
          return (joined.length > 0 ? joined : [[]]).map((path) => ({
            gear: [...gear, one],
            wants: [...wants, ...own, ...path],
          }));
        }),
      )
      .slice(0, MOST_WAYS);
  return unique(ways.map(({ wants }) => tidy(wants)));
}

/** Each want once, in one order. */
function tidy(wants: readonly Want[]): Want[] {
  const all = new Map(wants.map((want) => [`${want.step} ${want.at}`, want]));
  return [...all.keys()].sort().flatMap((key) => all.get(key) ?? []);
}
function unique(ways: readonly Want[][]): Want[][] {
  const all = new Map(ways.map((way) => [JSON.stringify(way), way]));
  return [...all.values()].slice(0, MOST_WAYS);
}

/** Ways that want all that another one wants, and more, say nothing. */
function withoutWider(ways: readonly Want[][]): Want[][] {
  const keys = ways.map((way) => new Set(way.map(({ step, at }) => `${step} ${at}`)));
  return ways.filter(
    (_, at) =>
      !keys.some(
        (other, slot) =>
          slot !== at &&
          (other.size < (keys[at]?.size ?? 0) || (other.size === keys[at]?.size && slot < at)) &&
          [...other].every((key) => keys[at]?.has(key)),
      ),
  );
}

/** Paths between devices over the uplinks of today and of then, as what each wants. */
function pathsBetween(was: Job, is: Job, steps: Steps): Paths {
  type Edge = { to: string; wants: Want[] };
  const edges = new Map<string, Edge[]>();
  const join = (from: string, to: string, wants: Want[]) => {
    edges.set(from, [...(edges.get(from) ?? []), { to, wants }]);
    edges.set(to, [...(edges.get(to) ?? []), { to: from, wants }]);
  };
  for (const [job, at] of [
    [was, 'old'],
    [is, 'new'],
  ] as const)
    for (const link of Object.values(linksOf(job))) {
      const step = steps.get(stepId('link', link.id));
      // An uplink that nobody touches is in both; it is counted once.
      if (!step && at === 'new') continue;
      join(link.fromId, link.toId, step ? [{ step: step.id, at }] : []);
    }
  const known = new Map<string, Want[][]>();
  return (from, to) => {
    const key = `${from} ${to}`;
    const there = known.get(key);
    if (there) return there;
    const found: Want[][] = [];
    const go = (at: string, seen: ReadonlySet<string>, wants: Want[]) => {
      if (found.length >= MOST_PATHS * 4) return;
      const here = [...wants, ...gearWants(was, steps, at)];
      if (at === to) {
        found.push(tidy(here));
        return;
      }
      if (seen.size > MOST_LINKS) return;
      for (const edge of edges.get(at) ?? [])
        if (!seen.has(edge.to)) go(edge.to, new Set([...seen, edge.to]), [...here, ...edge.wants]);
    };
    go(from, new Set([from]), []);
    // Where no uplinks are entered nobody knows how they are joined: both must stand.
    if (found.length === 0 && from !== to)
      found.push(tidy([...gearWants(was, steps, from), ...gearWants(was, steps, to)]));
    const made = unique(found.sort((a, b) => a.length - b.length)).slice(0, MOST_PATHS);
    known.set(key, made);
    return made;
  };
}
