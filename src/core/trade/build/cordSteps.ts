import { formatLength } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Cord } from '../../job/records/cord';
import type { Plug } from '../../job/records/plug';
import { portKey } from '../../job/records/portKey';
import type { Uplink } from '../../job/records/uplink';
import { cordLengthMm } from '../patching/cords/cordLength';
import { mainsWayMm, stockCordMm } from '../power/mainsCords';
import type { BuildStep } from './buildStep';
import { type Both, plain, recordsOnly, stepId, turns } from './stepParts';

export function linkSteps(both: Both): BuildStep[] {
  const ends = (job: Job, { fromId, fromPort, toId, toPort }: Uplink) =>
    `${job.gear[fromId]?.name ?? ''} port ${fromPort} – ${job.gear[toId]?.name ?? ''} port ${toPort}`;
  return turns(both, 'uplinks').flatMap(({ id, turn, old, then }) => {
    const changes = both.changesOf('uplinks', id);
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
const endsAlike = (a: Uplink, b: Uplink): boolean =>
  a.fromId === b.fromId && a.fromPort === b.fromPort && a.toId === b.toId && a.toPort === b.toPort;

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
  const ends = (job: Job, cord: Cord) =>
    `${job.gear[cord.panelId]?.name ?? ''} ${cord.panelPort} – ${job.gear[cord.switchId]?.name ?? ''} ${cord.switchPort}`;
  const runAt = (job: Job, cord: Cord) =>
    indexJob(job).landingAtPort.get(portKey(cord.panelId, cord.panelPort))?.runId ?? null;
  return turns(both, 'cords').flatMap(({ id, turn, old, then }) => {
    const changes = both.changesOf('cords', id);
    if (old && isAlike(old, then ?? undefined)) return [recordsOnly(id, changes)];
    const from = old ? ends(was, old) : '';
    const to = then ? ends(is, then) : '';
    const length = then ? cordLengthMm(is, then) : null;
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
        runId: then ? runAt(is, then) : old ? runAt(was, old) : null,
        gearId: then?.switchId ?? old?.switchId ?? null,
        parts:
          turn === 'in' ? [length === null ? 'cord, length not known' : `cord ${formatLength(length, is.units)}`] : [],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        ...(old && then && old.panelId !== then.panelId
          ? { together: `cord ${old.panelId} ${then.panelId} ${old.switchId} ${then.switchId}` }
          : {}),
        changes,
      }),
    ];
  });
}

/** Whether a cord is in the same two ports. */
export const isAlike = (a: Cord, b: Cord | undefined): boolean =>
  b !== undefined &&
  a.panelId === b.panelId &&
  a.panelPort === b.panelPort &&
  a.switchId === b.switchId &&
  a.switchPort === b.switchPort;
