import { linksOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { Cord } from '../../../job/records/cord';
import type { Gear, GearKind } from '../../../job/records/gear';
import { isCage, isSwitching, type Port, portsOf } from '../../../job/records/ports';
import { freePorts } from './freePorts';
import { uplinkFacts } from './uplinkFacts';

/** Gear of the cabinet that hangs on a switch or on the gateway with a cord of its own. */
const CABLED: readonly GearKind[] = ['modem', 'recorder', 'server', 'computer', 'storage', 'ups', 'other'];

const ON_A_SWITCH: readonly GearKind[] = ['recorder', 'server', 'storage'];

export type DeviceCordPlan = {
  cords: { uplink: Cord; from: Gear; to: Gear; lengthMm: number | null; why: string }[];
  left: { gear: Gear; why: string }[];
};

/** Whether a port takes data on copper or a module. */
export const isDataPort = (port: Port): boolean => port.connector === 'rj45' || isCage(port);

/** Gear that wants a cord inside the cabinet and has none yet. */
export function uncabledGear(job: Job): Gear[] {
  const { gearInOrder } = indexJob(job);
  const linked = new Set(Object.values(linksOf(job)).flatMap(({ fromId, toId }) => [fromId, toId]));
  return gearInOrder.filter(
    (gear) => CABLED.includes(gear.kind) && portsOf(gear).some(isDataPort) && !linked.has(gear.id),
  );
}

/** A switch that hangs on nothing yet keeps one of its free cages for its uplink. */
function withoutUplinkPort(job: Job, host: Gear, free: Port[], taken: ReadonlySet<string>): Port[] {
  const linked = Object.values(linksOf(job)).some(({ fromId, toId }) => {
    const other = fromId === host.id ? toId : toId === host.id ? fromId : null;
    const far = other === null ? undefined : job.gear[other];
    return far !== undefined && isSwitching(far);
  });
  const cages = free.filter((port) => isCage(port) && !taken.has(`${host.id} ${port.number}`));
  const kept = linked ? undefined : cages[0];
  return free.filter((port) => port !== kept);
}

/**
 * A cord for each device of the cabinet that has none: a modem to the gateway's internet port, the others to the nearest
 * free port that is as fast as they are, without power where there is one. By rule, one after another; not proven.
 * @param idOf the id of the cord of a device
 */
export function planDeviceCords(job: Job, idOf: (gear: Gear) => string): DeviceCordPlan {
  const plan: DeviceCordPlan = { cords: [], left: [] };
  const hosts = indexJob(job).gearInOrder.filter(isSwitching);
  const taken = new Set<string>();
  for (const gear of uncabledGear(job)) {
    const own = freePorts(job, gear).filter(isDataPort);
    const ends = hosts.flatMap((host) => {
      const internet = portsOf(host).filter((port) => port.use === 'internet');
      const open = gear.kind === 'modem' ? internet : withoutUplinkPort(job, host, freePorts(job, host), taken);
      return open.filter(isDataPort).map((port) => ({ host, port }));
    });
    const pairs = own.flatMap((port) =>
      ends
        .filter((end) => isCage(end.port) === isCage(port) && !taken.has(`${end.host.id} ${end.port.number}`))
        .map((end) => {
          const uplink = Cord.parse({
            id: idOf(gear),
            fromId: gear.id,
            fromPort: port.number,
            toId: end.host.id,
            toPort: end.port.number,
          });
          const wayMm = uplinkFacts(job, uplink)?.wayMm ?? null;
          const [mine, theirs] = [port.speedMbps ?? 0, end.port.speedMbps ?? 0];
          // Slower than it could be is worst, then power that is not needed, then speed that is not used, then the way.
          const cost =
            Math.max(0, mine - theirs) * 1e6 +
            Math.max(0, Math.max(...own.map((one) => one.speedMbps ?? 0)) - mine) * 1e5 +
            (end.port.poeW > 0 ? 1e7 : 0) +
            // What records and stores belongs on a switch, not behind the router's few ports.
            (end.host.kind === 'router' && ON_A_SWITCH.includes(gear.kind) ? 2e7 : 0) +
            Math.max(0, theirs - mine) * 1e3 +
            (wayMm ?? 5000);
          return { uplink, port, end, wayMm, cost };
        }),
    );
    const best = pairs.reduce<(typeof pairs)[number] | null>(
      (least, one) => (least === null || one.cost < least.cost ? one : least),
      null,
    );
    if (!best) {
      const where = gear.kind === 'modem' ? 'internet port of a gateway' : 'switch port of its kind';
      plan.left.push({ gear, why: `${gear.name} finds no free ${where}.` });
      continue;
    }
    taken.add(`${best.end.host.id} ${best.end.port.number}`);
    const facts = uplinkFacts(job, best.uplink);
    plan.cords.push({
      uplink: best.uplink,
      from: gear,
      to: best.end.host,
      lengthMm: facts?.lengthMm ?? null,
      why:
        gear.kind === 'modem'
          ? 'the internet port of the gateway'
          : (best.port.speedMbps ?? 0) > (best.end.port.speedMbps ?? 0)
            ? 'the fastest free port, slower than it could be'
            : 'the nearest free port that is as fast as it is',
    });
  }
  return plan;
}
