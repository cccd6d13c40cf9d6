import { formatLength } from '../../base/units/length';
import { type PatchCord, patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { type Cord, type CordEnd, endKey, endsOf } from '../../job/records/cord';
import type { Plug } from '../../job/records/plug';
import { portKey } from '../../job/records/portKey';
import { cordLengthMm } from '../patching/cords/cordLength';
import { mainsWayMm, stockCordMm } from '../power/mainsCords';
import type { BuildStep } from './buildStep';
import { type Both, plain, recordsOnly, stepId, turns } from './stepParts';

export function linkSteps(both: Both): BuildStep[] {
  const ends = (job: Job, cord: Cord) =>
    endsOf(cord)
      .map((end) => endWords(job, end))
      .join(' – ');
  return turns(both, 'cords').flatMap(({ id, turn, old, then }) => {
    if (isPatch(both, id)) return [];
    const changes = both.changesOf('cords', id);
    if (turn === 'move' && old && then && endsAlike(old, then)) return [recordsOnly(id, changes)];
    const from = old ? ends(both.was, old) : '';
    const to = then ? ends(both.is, then) : '';
    return [
      plain({
        id: stepId('link', id),
        kind: 'link',
        turn,
        words: `${turn === 'in' ? 'Plug in' : turn === 'out' ? 'Take out' : 'Move'} the uplink ${to || from}`,
        place: to || from,
        from,
        to,
        parts: turn === 'in' ? ['uplink cord'] : [],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        changes,
      }),
    ];
  });
}
const endWords = (job: Job, { gearId, port, side }: CordEnd): string =>
  `${job.gear[gearId]?.name ?? ''} port ${port}${side === 'rear' ? ' at the rear' : ''}`;

/** Whether a cord patches a run, today or then. */
const isPatch = ({ was, is }: Both, id: string): boolean =>
  patchCordsOf(was)[id] !== undefined || patchCordsOf(is)[id] !== undefined;

const endsAlike = (a: Cord, b: Cord): boolean => endsOf(a).map(endKey).join() === endsOf(b).map(endKey).join();

export function plugSteps(both: Both): BuildStep[] {
  const feedWords = (job: Job, { feedId, wallId, outlet }: Plug) =>
    `${(feedId === null ? job.wallOutlets[wallId ?? '']?.name : job.gear[feedId]?.name) ?? ''} outlet ${outlet}`;
  return turns(both, 'plugs').flatMap(({ id, turn, old, then }) => {
    const changes = both.changesOf('plugs', id);
    const same =
      old &&
      then &&
      old.feedId === then.feedId &&
      old.wallId === then.wallId &&
      old.outlet === then.outlet &&
      old.gearId === then.gearId;
    if (same) return [recordsOnly(id, changes)];
    const gear = both.is.gear[then?.gearId ?? ''] ?? both.was.gear[old?.gearId ?? ''];
    const from = old ? feedWords(both.was, old) : '';
    const to = then ? feedWords(both.is, then) : '';
    const feed = both.is.gear[then?.feedId ?? ''];
    const way = gear && then && feed ? mainsWayMm(both.is, gear, { gear: feed, outlet: then.outlet }) : null;
    return [
      plain({
        id: stepId('plug', id),
        kind: 'plug',
        turn,
        words: `${turn === 'in' ? 'Plug in' : turn === 'out' ? 'Unplug' : 'Plug elsewhere:'} the mains of ${gear?.name ?? ''}`,
        place: to || from,
        from,
        to,
        gearId: gear?.id ?? null,
        parts: turn === 'in' && way !== null ? [`mains cord ${formatLength(stockCordMm(way), both.is.units)}`] : [],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        changes,
      }),
    ];
  });
}

export function cordSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  const ends = (job: Job, cord: Cord) => {
    const patched = patchCordsOf(job)[cord.id];
    return patched
      ? `${job.gear[patched.panelId]?.name ?? ''} ${patched.panelPort} – ${job.gear[patched.switchId]?.name ?? ''} ${patched.switchPort}`
      : `${job.gear[cord.fromId]?.name ?? ''} ${cord.fromPort} – ${job.gear[cord.toId]?.name ?? ''} ${cord.toPort}`;
  };
  const runAt = (job: Job, cord: PatchCord | undefined) =>
    cord ? (indexJob(job).landingAtPort.get(portKey(cord.panelId, cord.panelPort))?.runId ?? null) : null;
  return turns(both, 'cords').flatMap(({ id, turn, old, then }) => {
    const [before, after] = [patchCordsOf(was)[id], patchCordsOf(is)[id]];
    if (!before && !after) return [];
    const changes = both.changesOf('cords', id);
    if (before && isAlike(before, after)) return [recordsOnly(id, changes)];
    const from = old ? ends(was, old) : '';
    const to = then ? ends(is, then) : '';
    const length = after ? cordLengthMm(is, after) : null;
    return [
      plain({
        id: stepId('cord', id),
        kind: 'cord',
        turn,
        words: `${turn === 'in' ? 'Patch' : turn === 'out' ? 'Unplug' : 'Patch anew:'} ${to || from}`,
        place: to || from,
        from,
        to,
        cordId: id,
        runId: runAt(is, after) ?? runAt(was, before),
        gearId: after?.switchId ?? before?.switchId ?? null,
        parts:
          turn === 'in' ? [length === null ? 'cord, length not known' : `cord ${formatLength(length, is.units)}`] : [],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        ...(before && after && before.panelId !== after.panelId
          ? { together: `cord ${before.panelId} ${after.panelId} ${before.switchId} ${after.switchId}` }
          : {}),
        changes,
      }),
    ];
  });
}

/** Whether a cord is in the same two ports. */
export const isAlike = (a: PatchCord, b: PatchCord | undefined): boolean =>
  b !== undefined &&
  a.panelId === b.panelId &&
  a.panelPort === b.panelPort &&
  a.switchId === b.switchId &&
  a.switchPort === b.switchPort;
