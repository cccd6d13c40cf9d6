import type { Command } from '../../../job/commands/commands';
import { rowCommands } from '../../../job/commands/rowCommands';
import { switchEnd } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { addresses } from '../../../job/records/address';
import type { Gear } from '../../../job/records/gear';
import { portKey } from '../../../job/records/portKey';
import { type Vouch, vouchedId } from '../../../job/records/vouch';
import { vouchFor } from '../gate';
import type { SeenPort } from './readWalk';
import { type Cause, plannedPorts, type Reconciled, type SwitchPlace } from './reconcile';

/** Which run's device an address belongs to, as the job knows it. */
export function runsByAddress(job: Job): (address: string) => string | null {
  const known = new Map(Object.values(job.addresses).map(({ address, runId }) => [address, runId]));
  return (address) => known.get(address) ?? null;
}

/**
 * Commands that take what is learnt on each port as the address of the run that is planned there: of ports with one address,
 * and none that is known already.
 */
export function rememberCommands(
  job: Job,
  device: Gear,
  seen: readonly SeenPort[],
  newId: () => string,
  learntOn: string,
): Command[] {
  const known = runsByAddress(job);
  const at = new Map(seen.map((one) => [one.port, one]));
  const rows = plannedPorts(job, device).flatMap(({ port, run }) => {
    const [address, more] = at.get(port)?.addresses ?? [];
    return run && address !== undefined && more === undefined && known(address) === null
      ? [{ table: 'addresses' as const, record: addresses.make({ id: newId(), address, runId: run.id, learntOn }) }]
      : [];
  });
  return rowCommands(job, rows);
}

/** Commands that change the plan to what is seen of a cause: the cords as they are. None where it is not about where they are. */
export function asSeenCommands(job: Job, { kind, places }: Cause, moved: Reconciled['moved']): Command[] {
  if (kind !== 'exchanged' && kind !== 'shifted') return [];
  const index = indexJob(job);
  const inCause = new Set(places.map(({ switchId, port }) => portKey(switchId, port)));
  const edits = moved.flatMap(({ runId, place }) => {
    const landing = index.landingOfRun.get(runId);
    const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
    return cord && inCause.has(portKey(place.switchId, place.port))
      ? [
          {
            table: 'cords' as const,
            id: cord.id,
            changes: switchEnd(job, cord.id, { switchId: place.switchId, switchPort: place.port }),
          },
        ]
      : [];
  });
  return edits.length > 0 ? [{ type: 'editRows', edits }] : [];
}

/** Those who stand for what a switch shows to be as planned: its cords, and its uplinks. */
export function shownBySwitch(
  job: Job,
  sure: readonly SwitchPlace[],
  said: Pick<Vouch, 'by' | 'why' | 'at'>,
  newId: () => string,
): Vouch[] {
  const index = indexJob(job);
  const there = new Map(Object.values(job.vouches).map((one) => [vouchedId(one), one]));
  const vouch = (kind: 'cord' | 'uplink', id: string): Vouch[] => {
    const before = there.get(id);
    const made = vouchFor(job, kind, id, { ...said, id: before?.id ?? newId(), how: 'switch' });
    // What somebody stands for already as it is now is left.
    return before && before.as === made.as && before.how !== 'accepted' ? [] : [made];
  };
  const seen = new Set<string>();
  return sure.flatMap(({ switchId, port }) => {
    const key = portKey(switchId, port);
    const cord = index.cordAtSwitchPort.get(key);
    const uplink = index.uplinkAtPort.get(key);
    const id = cord?.id ?? uplink?.id ?? '';
    if (seen.has(id)) return [];
    seen.add(id);
    return cord ? vouch('cord', cord.id) : uplink ? vouch('uplink', uplink.id) : [];
  });
}
