import { joinedGroups } from '../../base/text/joinedGroups';
import { linksOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Gear, GearKind } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { isCage, isSwitching, type Port, portsOf } from '../../job/records/ports';

/** A port that the plan keeps back on a switch: for a link on the way to the gateway, or for gear in the rack. */
export type KeptPort = {
  /** Links of two switches keep a port on each: both have this. */
  link: string;
  kind: 'gateway' | 'uplink' | 'gear';
  /** What the port is for, as in “the uplink of Switch B”. */
  words: string;
  /** Switches that the port may be on. */
  on: ReadonlySet<string>;
  cage: boolean;
  mbps: number | null;
};
/** Where the far end of a link is, if that is no port of the plan: a port of the gateway, or of the gear itself. */
export type FarEnd = { gearId: string; port: number };
export type LinkPlan = {
  link: string;
  words: string;
  kind: KeptPort['kind'];
  far: FarEnd | null;
};

/** Gear in the rack that needs a port of a switch of its own: a UPS only where it has a card for the network. */
const NEEDS_A_PORT: readonly GearKind[] = ['recorder', 'server', 'computer', 'storage', 'ups', 'other'];
const isData = (port: Port): boolean => port.use === 'access' && (port.connector === 'rj45' || isCage(port));

/**
 * Ports to keep back before runs are patched: a way from every switch to the gateway, and a port for each device in the
 * rack that has none yet. Links go cage to cage where both ends have one, else to a free port of the gateway, else copper
 * from switch to switch.
 * @param taken ports that something stays in, by `portKey`
 */
export function portsToKeep(job: Job, taken: ReadonlySet<string>): { kept: KeptPort[]; links: LinkPlan[] } {
  const { gearInOrder } = indexJob(job);
  const kept: KeptPort[] = [];
  const links: LinkPlan[] = [];
  const held = new Set(taken);
  const free = (gear: Gear, cage: boolean): Port[] =>
    portsOf(gear).filter((port) => isData(port) && isCage(port) === cage && !held.has(portKey(gear.id, port.number)));
  /** Cages that are spoken for on a switch: they are not taken by number, the plan chooses which. */
  const spoken = new Map<string, number>();
  const cagesOf = (gear: Gear): number => free(gear, true).length - (spoken.get(gear.id) ?? 0);
  const speak = (gear: Gear) => spoken.set(gear.id, (spoken.get(gear.id) ?? 0) + 1);
  const fastest = (gear: Gear, cage: boolean): number | null =>
    free(gear, cage).reduce<number | null>((most, { speedMbps }) => Math.max(most ?? 0, speedMbps ?? 0) || most, null);

  const switches = gearInOrder.filter(({ kind }) => kind === 'switch');
  const gateway = gearInOrder.find(({ kind }) => kind === 'router') ?? null;
  const group = groupsOf(job);
  const groups = new Map<string, Gear[]>();
  for (const gear of switches) groups.set(group(gear.id), [...(groups.get(group(gear.id)) ?? []), gear]);
  const rootId = gateway ? group(gateway.id) : null;
  const open = [...groups].filter(([id]) => id !== rootId).map(([, list]) => list);
  // Others are linked to the switch with the most cages: that is what they are for.
  const rank = (gear: Gear) => portsOf(gear).filter(isCage).length * 1000 + portsOf(gear).length;
  const largest = (list: readonly Gear[]) => list.reduce((a, b) => (rank(b) > rank(a) ? b : a));

  // What is linked to the gateway already is where others are linked to.
  const joined: Gear[] = [...((rootId === null ? undefined : groups.get(rootId)) ?? [])];
  const waiting = [...open].sort((a, b) => rank(largest(b)) - rank(largest(a)));
  if (joined.length === 0) {
    const first = waiting.shift();
    const core = first ? largest(first) : null;
    if (first) joined.push(...first);
    if (core && gateway) {
      const cage = free(gateway, true).length > 0 && cagesOf(core) > 0;
      keepLink('gateway', `the link of ${gateway.name}`, `link-${core.id}-${gateway.id}`, core, gateway, cage);
    }
  }
  for (const list of waiting) {
    const hosts = [...joined].sort((a, b) => rank(b) - rank(a));
    const withCage = list.find((gear) => cagesOf(gear) > 0);
    const host = (withCage && hosts.find((gear) => cagesOf(gear) > 0)) ?? null;
    const plain = hosts.find((gear) => free(gear, false).length > 0) ?? hosts[0];
    const to = withCage ?? largest(list);
    const words = `the uplink of ${to.name}`;
    joined.push(...list);
    if (host) {
      const link = `link-${to.id}-${host.id}`;
      for (const gear of [to, host]) {
        kept.push({ link, kind: 'uplink', words, on: new Set([gear.id]), cage: true, mbps: null });
        speak(gear);
      }
      links.push({ link, words, kind: 'uplink', far: null });
    } else if (gateway && free(gateway, false).length > 0) {
      keepLink('uplink', words, `link-${to.id}-${gateway.id}`, to, gateway, false);
    } else if (plain) {
      const link = `link-${to.id}-${plain.id}`;
      for (const gear of [to, plain])
        kept.push({ link, kind: 'uplink', words, on: new Set([gear.id]), cage: false, mbps: null });
      links.push({ link, words, kind: 'uplink', far: null });
    }
  }
  const all = new Set(switches.map(({ id }) => id));
  const linked = new Set(Object.values(linksOf(job)).flatMap(({ fromId, toId }) => [fromId, toId]));
  if (switches.length > 0)
    for (const gear of gearInOrder) {
      if (!NEEDS_A_PORT.includes(gear.kind) || linked.has(gear.id)) continue;
      const cages = free(gear, true);
      const plain = free(gear, false);
      const host = cages.length > 0 ? switches.find((one) => cagesOf(one) > 0) : undefined;
      const cage = host !== undefined;
      const port = (cage ? cages : plain)[0];
      if (!port) continue;
      const link = `link-${gear.id}`;
      const words = gear.name;
      if (host) speak(host);
      kept.push({ link, kind: 'gear', words, on: all, cage, mbps: port.speedMbps });
      links.push({ link, words, kind: 'gear', far: { gearId: gear.id, port: port.number } });
    }
  return { kept, links };

  /** Keep a port of a switch for a link to a port of the gateway, which is held too. */
  function keepLink(kind: KeptPort['kind'], words: string, link: string, from: Gear, to: Gear, cage: boolean) {
    const port = free(to, cage)[0];
    kept.push({ link, kind, words, on: new Set([from.id]), cage, mbps: cage ? null : fastest(to, cage) });
    if (cage) speak(from);
    if (port) held.add(portKey(to.id, port.number));
    links.push({ link, words, kind, far: port ? { gearId: to.id, port: port.number } : null });
  }
}

/** Switching devices that uplinks join, by the id of one of them. */
export function groupsOf(job: Job): (id: string) => string {
  const { join, of } = joinedGroups();
  for (const { fromId, toId } of Object.values(linksOf(job))) {
    const [from, to] = [job.gear[fromId], job.gear[toId]];
    if (from && to && isSwitching(from) && isSwitching(to)) join(fromId, toId);
  }
  return of;
}
