import { besideCordsOf, patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { carriedBy } from '../../job/rack/space';
import { endKey, endsOf } from '../../job/records/cord';
import type { Landing } from '../../job/records/landing';
import type { Placement } from '../../job/records/placement';
import { portKey } from '../../job/records/portKey';
import type { BuildStep, StepKind } from './buildStep';
import { isAlike } from './cordSteps';
import { type Both, stepId } from './stepParts';

/** What stands in a step's way, and what must be done before it. */
export function withNeeds(steps: readonly BuildStep[], { was, is }: Both): BuildStep[] {
  const ids = new Set(steps.map(({ id }) => id));
  const kept = (wanted: readonly string[], own: string) =>
    [...new Set(wanted)].filter((id) => id !== own && ids.has(id));
  const byOldPort = portHolders(was);
  const clashes = placeClashes(was, is, ids);
  const oldLandings = indexJob(was).landingOfRun;
  const newLandings = indexJob(is).landingOfRun;
  const tested = new Set(
    steps.flatMap(({ kind, turn, runId }) => (kind === 'test' && turn === 'in' && runId ? [runId] : [])),
  );
  const of = (kind: StepKind, id: string | null | undefined) => (id ? [stepId(kind, id)] : []);
  return steps.map((step): BuildStep => {
    const clearOf: string[] = [];
    const putNeeds: string[] = [];
    const blockedBy: string[] = [];
    switch (step.kind) {
      case 'rack-out':
        for (const { gearId, rackId } of Object.values(was.placements))
          if (stepId('rack-out', rackId) === step.id) clearOf.push(...of('gear', gearId));
        break;
      case 'gear': {
        const id = step.gearId ?? '';
        const place = indexJob(is).placementOfGear.get(id);
        putNeeds.push(...of('rack-in', place?.rackId), ...of('gear', indexJob(is).carrierOfGear.get(id)));
        blockedBy.push(...(clashes.get(id) ?? []));
        if (step.turn === 'out') {
          // Nothing hangs on it any more.
          for (const cord of Object.values(patchCordsOf(was)))
            if (cord.switchId === id || cord.panelId === id) clearOf.push(...of('cord', cord.id));
          for (const link of Object.values(besideCordsOf(was)))
            if (link.fromId === id || link.toId === id) clearOf.push(...of('link', link.id));
          for (const plug of Object.values(was.plugs))
            if (plug.feedId === id || plug.gearId === id) clearOf.push(...of('plug', plug.id));
          for (const landing of Object.values(was.landings))
            if (landing.panelId === id) clearOf.push(...of('land', landing.runId));
          for (const carried of carriedBy(was, id)) clearOf.push(...of('gear', carried.id));
        }
        break;
      }
      case 'land': {
        const [old, then] = [oldLandings.get(step.runId ?? ''), newLandings.get(step.runId ?? '')];
        if (then) {
          putNeeds.push(...of('gear', then.panelId), ...of('pull', step.runId));
          const holder = byOldPort.landing.get(portKey(then.panelId, then.port));
          if (holder && holder !== step.runId) blockedBy.push(...of('land', holder));
        }
        if (old) clearOf.push(...cordsAtLanding(was, is, old).flatMap((id) => of('cord', id)));
        break;
      }
      case 'outlet':
        putNeeds.push(...of('pull', step.runId));
        break;
      case 'test':
        putNeeds.push(...of('land', step.runId), ...of('outlet', step.runId), ...of('pull', step.runId));
        break;
      case 'link': {
        const then = besideCordsOf(is)[step.id.slice('link-'.length)];
        if (then && step.turn !== 'out') {
          putNeeds.push(...of('gear', then.fromId), ...of('gear', then.toId));
          for (const key of endsOf(then).map(endKey)) blockedBy.push(...(byOldPort.link.get(key) ?? []));
        }
        break;
      }
      case 'plug': {
        const then = is.plugs[step.id.slice('plug-'.length)];
        if (then && step.turn !== 'out') {
          putNeeds.push(...of('gear', then.gearId), ...of('gear', then.feedId), ...of('circuit', then.wallId));
          blockedBy.push(...(byOldPort.plug.get(portKey(then.feedId ?? then.wallId ?? '', then.outlet)) ?? []));
        }
        break;
      }
      case 'cord': {
        const then = patchCordsOf(is)[step.cordId ?? ''];
        if (then && step.turn !== 'out') {
          putNeeds.push(...of('gear', then.panelId), ...of('gear', then.switchId), ...of('land', step.runId));
          // With its cord in and the switch on, a run can no longer be tested.
          if (tested.has(step.runId ?? '')) putNeeds.push(...of('test', step.runId));
          for (const key of [portKey(then.panelId, then.panelPort), portKey(then.switchId, then.switchPort)])
            blockedBy.push(...(byOldPort.link.get(key) ?? []));
        }
        break;
      }
      default:
    }
    return {
      ...step,
      clearOf: kept(clearOf, step.id),
      putNeeds: kept(putNeeds, step.id),
      blockedBy: kept(blockedBy, step.id),
    };
  });
}

/** Which steps hold a port or an outlet today. */
function portHolders(was: Job) {
  const link = new Map<string, string[]>();
  const hold = (map: Map<string, string[]>, key: string, id: string) => map.set(key, [...(map.get(key) ?? []), id]);
  for (const cord of Object.values(patchCordsOf(was))) {
    hold(link, portKey(cord.panelId, cord.panelPort), stepId('cord', cord.id));
    hold(link, portKey(cord.switchId, cord.switchPort), stepId('cord', cord.id));
  }
  for (const one of Object.values(besideCordsOf(was))) {
    for (const end of endsOf(one)) hold(link, endKey(end), stepId('link', one.id));
  }
  const plug = new Map<string, string[]>();
  for (const one of Object.values(was.plugs))
    hold(plug, portKey(one.feedId ?? one.wallId ?? '', one.outlet), stepId('plug', one.id));
  const landing = new Map(Object.values(was.landings).map((one) => [portKey(one.panelId, one.port), one.runId]));
  return { link, plug, landing };
}

/** Cords that hang at a landing today and go elsewhere. */
const cordsAtLanding = (was: Job, is: Job, { panelId, port }: Landing): string[] =>
  Object.values(patchCordsOf(was)).flatMap((cord) =>
    cord.panelId === panelId && cord.panelPort === port && !isAlike(cord, patchCordsOf(is)[cord.id]) ? [cord.id] : [],
  );

/** Steps of devices that stand today where another is to stand. */
function placeClashes(was: Job, is: Job, ids: ReadonlySet<string>): Map<string, string[]> {
  const clashes = new Map<string, string[]>();
  const span = (job: Job, place: Placement) =>
    [place.bottomU, place.bottomU + (job.gear[place.gearId]?.heightU ?? 1) - 1] as const;
  for (const then of Object.values(is.placements)) {
    const [low, high] = span(is, then);
    const there = Object.values(was.placements).flatMap((old) => {
      const [bottom, top] = span(was, old);
      const meets = old.rackId === then.rackId && old.face === then.face && bottom <= high && low <= top;
      return meets && old.gearId !== then.gearId && ids.has(stepId('gear', old.gearId))
        ? [stepId('gear', old.gearId)]
        : [];
    });
    if (there.length > 0) clashes.set(then.gearId, there);
  }
  return clashes;
}
