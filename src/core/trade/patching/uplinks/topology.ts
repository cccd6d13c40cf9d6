import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { Cord } from '../../../job/records/cord';
import type { Gear } from '../../../job/records/gear';
import { isSwitching } from '../../../job/records/ports';
import { figureOf } from '../../survey/answers/answers';
import { patchedRuns } from '../patchedRuns';
import { bundleMbps, bundlesOf } from './linkBundles';
import { listUplinks, type UplinkFacts } from './uplinkFacts';

export type SwitchUplinks = {
  gear: Gear;
  /** Speed of all that is patched to it and of the links to what hangs below it, Mb/s. */
  downMbps: number;
  /** Of the uplinks that carry at the same time, Mb/s: with a redundancy protocol the fastest bundle, the others wait. */
  upMbps: number;
  /** Down over up; null without an uplink or with nothing below. */
  ratio: number | null;
  /** Its uplinks, bundles as one, each with its ports and with down over up where it carries all of it alone. */
  each: { ports: number[]; ratio: number | null }[];
  reachesGateway: boolean;
  /** One uplink can fail and it still reaches the gateway. */
  redundant: boolean;
};

export type Topology = {
  switches: SwitchUplinks[];
  gateway: Gear | null;
  /** Devices in rings, each with whether all of them speak a redundancy protocol. */
  loops: { gear: Gear[]; guarded: boolean }[];
  /** Fastest link or bundle to the gateway against the internet speed, Mb/s. */
  gatewayMbps: number;
  internetMbps: number;
};

/** Speed of all downlinks over speed of all uplinks. */
export const oversubscription = (downMbps: number, upMbps: number): number => downMbps / upMbps;

/** Whether `to` is reached from `from` over these links. */
function reaches(links: readonly UplinkFacts[], from: string, to: string): boolean {
  const seen = new Set([from]);
  const open = [from];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (at === to) return true;
    for (const { from: a, to: b } of links) {
      const next = a.id === at ? b.id : b.id === at ? a.id : null;
      if (next === null || seen.has(next)) continue;
      seen.add(next);
      open.push(next);
    }
  }
  return false;
}

/** How switches and gateway hang together. */
export function topologyOf(job: Job): Topology {
  const index = indexJob(job);
  const all = listUplinks(job);
  // Two cords to one server make no ring of switches.
  const links = all.filter(({ from, to }) => isSwitching(from) && isSwitching(to));
  const gateway = index.gearInOrder.find((gear) => gear.kind === 'router') ?? null;
  const patched = patchedRuns(index.job);
  const switches = index.gearInOrder
    .filter((gear) => gear.kind === 'switch')
    .map((gear): SwitchUplinks => {
      const own = links.filter(({ from, to }) => from.id === gear.id || to.id === gear.id);
      const devices = all.filter(
        (link) => !links.includes(link) && (link.from.id === gear.id || link.to.id === gear.id),
      );
      const towards = gateway
        ? own.filter(({ from, to }) => {
            const other = from.id === gear.id ? to : from;
            return (
              other.id === gateway.id ||
              reaches(
                links.filter((link) => link.from.id !== gear.id && link.to.id !== gear.id),
                other.id,
                gateway.id,
              )
            );
          })
        : own;
      const bundles = bundlesOf(towards);
      const speeds = bundles.map(bundleMbps);
      const downMbps =
        patched
          .filter(({ device }) => device.id === gear.id)
          .reduce((sum, { port }) => sum + (port.speedMbps ?? 0), 0) +
        [...own.filter((link) => gateway && !towards.includes(link)), ...devices].reduce(
          (sum, { speedMbps }) => sum + (speedMbps ?? 0),
          0,
        );
      const upMbps = gear.loopGuard ? Math.max(0, ...speeds) : speeds.reduce((sum, one) => sum + one, 0);
      const ratioTo = (mbps: number) => (mbps > 0 && downMbps > 0 ? oversubscription(downMbps, mbps) : null);
      const reachesGateway = gateway !== null && reaches(links, gear.id, gateway.id);
      return {
        gear,
        downMbps,
        upMbps,
        ratio: ratioTo(upMbps),
        each: bundles.map((bundle) => ({
          ports: bundle.map(({ uplink }) => (uplink.fromId === gear.id ? uplink.fromPort : uplink.toPort)),
          ratio: ratioTo(bundleMbps(bundle)),
        })),
        reachesGateway,
        redundant:
          reachesGateway &&
          links.every((one) =>
            reaches(
              links.filter((link) => link !== one),
              gear.id,
              gateway.id,
            ),
          ),
      };
    });
  const atGateway = gateway ? links.filter(({ from, to }) => from.id === gateway.id || to.id === gateway.id) : [];
  return {
    switches,
    gateway,
    // A bundle is one link: what it joins is no ring.
    loops: loopsIn(bundlesOf(links).map(([link]) => link)),
    gatewayMbps: Math.max(0, ...bundlesOf(atGateway).map(bundleMbps)),
    internetMbps: figureOf(job, 'internet-mbps'),
  };
}

/** Links that can go without parting what they join lie in rings: the devices of each ring. */
function loopsIn(links: readonly UplinkFacts[]): Topology['loops'] {
  const inRing = links.filter((link) =>
    reaches(
      links.filter((one) => one !== link),
      link.from.id,
      link.to.id,
    ),
  );
  const rings: Set<string>[] = [];
  const gearById = new Map<string, Gear>();
  for (const { from, to } of inRing) {
    gearById.set(from.id, from);
    gearById.set(to.id, to);
    const touching = rings.filter((ring) => ring.has(from.id) || ring.has(to.id));
    const joined = new Set([from.id, to.id, ...touching.flatMap((ring) => [...ring])]);
    for (const ring of touching) rings.splice(rings.indexOf(ring), 1);
    rings.push(joined);
  }
  return rings.map((ring) => {
    const gear = [...ring].map((id) => gearById.get(id) as Gear);
    return { gear, guarded: gear.every((one) => one.loopGuard) };
  });
}

/** Devices that an uplink alone ties to the gateway; none while there is no gateway, or another way to it. */
export function below(job: Job, { id, fromId, toId }: Pick<Cord, 'id' | 'fromId' | 'toId'>): Set<string> {
  const links = listUplinks(job).filter((link) => link.uplink.id !== id);
  const gateway = indexJob(job).gearInOrder.find((gear) => gear.kind === 'router');
  if (!gateway) return new Set();
  const lower = [fromId, toId].filter((end) => !reaches(links, end, gateway.id));
  const [end] = lower;
  if (lower.length !== 1 || end === undefined) return new Set();
  return new Set(Object.keys(job.gear).filter((other) => reaches(links, end, other)));
}
