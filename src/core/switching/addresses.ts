import type { Command } from '../commands/commands';
import { rowCommands } from '../commands/rowCommands';
import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { addresses } from '../records/address';
import type { Gear } from '../records/gear';
import { portKey } from '../records/portKey';
import type { SeenPort } from './readWalk';
import { type Cause, plannedPorts } from './reconcile';

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
export function asSeenCommands(
  job: Job,
  device: Gear,
  seen: readonly SeenPort[],
  runOf: (address: string) => string | null,
  cause: Cause,
): Command[] {
  if (cause.kind !== 'exchanged' && cause.kind !== 'shifted') return [];
  const index = indexJob(job);
  const edits = seen.flatMap(({ port, addresses: learnt }) => {
    const runId = learnt.length === 1 ? runOf(learnt[0] ?? '') : null;
    const landing = index.landingOfRun.get(runId ?? '');
    const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
    return cord && cause.ports.includes(port) && cord.switchId === device.id && cord.switchPort !== port
      ? [{ table: 'cords' as const, id: cord.id, changes: { switchPort: port } }]
      : [];
  });
  return edits.length > 0 ? [{ type: 'editRows', edits }] : [];
}
