import { linksOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { cords } from '../../../job/records/cord';
import { Gear } from '../../../job/records/gear';
import { inletCount, type MainsOutlet, outletsOf } from '../../../job/records/mainsSockets';
import { type Plug, plugId } from '../../../job/records/plug';
import { portKey } from '../../../job/records/portKey';
import { isSwitching, portsOf } from '../../../job/records/ports';
import { isLive, isNow } from '../../../job/records/run';
import { seatedPlugs } from '../coveredOutlets';
import { batteryAbove, feedsOf, inletsPlugged, wallOutletsOf } from '../feeds';
import { plugFit } from '../plugFit';
import type { Part } from './parts';

/** A change of the job that may take a single point of failure away, with what it costs in points: its parts and its trouble. */
export type Change = { words: string; cost: number; job: Job };

/** Costs by rule of thumb, no source: a plug moved, a cord, a battery unit. */
const COST = { replug: 2, link: 8, unit: 120 } as const;

/** Changes that might help against the failure of a part, cheapest first. What they do is for a trial to say. */
export function changesFor(job: Job, part: Part, dark: readonly string[]): Change[] {
  const devices = dark.flatMap((id) => job.gear[id] ?? []);
  const changes = [
    ...(part.kind === 'uplink' || part.kind === 'gear' ? linkChanges(job, part) : []),
    ...(part.kind === 'gear' || part.kind === 'circuit' || part.kind === 'wall' || part.kind === 'plug'
      ? supplyChanges(job, part, devices)
      : []),
    ...(part.kind === 'mains' || part.kind === 'circuit' || part.kind === 'wall' ? batteryChanges(job, devices) : []),
  ];
  return changes.sort((a, b) => a.cost - b.cost);
}

/** What would shorten the failure of a part where no change takes it away. Common practice, no source. */
export function shorterBy(job: Job, part: Part): string {
  switch (part.kind) {
    case 'mains':
      return 'Larger batteries, or a generator with a transfer switch.';
    case 'circuit':
    case 'wall':
      return 'A battery unit, or a second circuit: work for a licensed electrician.';
    case 'plug':
    case 'cord':
      return 'A spare cord in the cabinet: it is changed in a minute.';
    case 'uplink':
      return 'A second uplink; a port must be made free for it first.';
    case 'gear': {
      const gear = job.gear[part.id];
      if (gear?.kind === 'ups') return 'A bypass switch, so that it can be changed, or a second unit.';
      if (gear?.kind === 'distribution')
        return 'A second strip on another outlet, so that what matters is not all on one.';
      return `A spare like ${gear?.name ?? 'it'}, its settings kept elsewhere.`;
    }
    case 'run': {
      const run = job.runs[part.id];
      const spare = indexJob(job).runsInOrder.find(
        (one) =>
          one.id !== run?.id &&
          isNow(one) &&
          !isLive(one) &&
          one.room === run?.room &&
          one.floor === run?.floor &&
          one.carries === run?.carries,
      );
      return spare
        ? `Run ${spare.label} to the same room is spare.`
        : 'A second run to the room; until then a known good cord at hand.';
    }
  }
}

/** A link beside the one that fails, or around a device that only passes on. */
function linkChanges(job: Job, part: Part): Change[] {
  const pairs: (readonly [Gear, Gear])[] = [];
  const at = (id: string | undefined) => job.gear[id ?? ''];
  if (part.kind === 'uplink') {
    const [from, to] = [at(linksOf(job)[part.id]?.fromId), at(linksOf(job)[part.id]?.toId)];
    if (from && to) pairs.push([from, to]);
  } else {
    const neighbours = Object.values(linksOf(job))
      .flatMap(({ fromId, toId }) => (fromId === part.id ? at(toId) : toId === part.id ? at(fromId) : undefined) ?? [])
      .filter(isSwitching);
    for (const [slot, one] of neighbours.entries())
      for (const other of neighbours.slice(slot + 1)) if (one.id !== other.id) pairs.push([one, other]);
  }
  return pairs.flatMap(([from, to]) => {
    const [fromPort, toPort] = [freePort(job, from), freePort(job, to)];
    if (fromPort === null || toPort === null) return [];
    const id = 'remedy-link';
    const record = cords.make({ id, fromId: from.id, fromPort, toId: to.id, toPort });
    return {
      words: `A second uplink: ${from.name} port ${fromPort} to ${to.name} port ${toPort}.`,
      cost: COST.link,
      job: { ...job, cords: { ...job.cords, [id]: record } },
    };
  });
}

/** Supplies of devices that have a second one, on another feed than what fails. */
function supplyChanges(job: Job, part: Part, devices: readonly Gear[]): Change[] {
  const twos = devices.filter((gear) => inletCount(gear) > 1);
  if (twos.length === 0) return [];
  let changed = job;
  const words: string[] = [];
  for (const gear of twos) {
    const feeds = feedsOf(changed);
    const plugged = inletsPlugged(feeds, gear);
    const inlet = Array.from({ length: inletCount(gear) }, (_, slot) => slot + 1).find((one) => !plugged.includes(one));
    const moved = inlet ?? plugged.at(-1) ?? 1;
    const spot = feedSpots(changed, gear, part)[0];
    if (!spot) return [];
    words.push(
      `${inlet === undefined ? 'move one supply' : 'plug the other supply'} of ${gear.name} into ${spot.name} outlet ${spot.outlet}`,
    );
    changed = withPlug(changed, gear, moved, spot);
  }
  return [{ words: `${sentence(words)}.`, cost: COST.replug * twos.length, job: changed }];
}

/** What hangs on no battery, behind one that there is, or behind one more. */
function batteryChanges(job: Job, devices: readonly Gear[]): Change[] {
  const feeds = feedsOf(job);
  const bare = devices.filter(
    (gear) =>
      gear.kind !== 'ups' &&
      inletCount(gear) > 0 &&
      batteryAbove(feeds, gear.id, 1) === null &&
      gear.outlets.length === 0,
  );
  if (bare.length === 0) return [];
  const onto = (start: Job, only: (spot: Spot) => boolean): Job | null => {
    let changed = start;
    for (const gear of bare) {
      const spot = feedSpots(changed, gear, null).find((one) => one.backed && only(one));
      if (!spot) return null;
      changed = withPlug(changed, gear, 1, spot);
    }
    return changed;
  };
  const there = onto(job, () => true);
  const id = 'remedy-unit';
  const unit = Gear.parse({
    id,
    name: 'One more battery unit',
    kind: 'ups',
    heightU: 2,
    depthMm: 400,
    outlets: [{ count: Math.min(48, bare.length), pitchMm: 200 }],
  });
  const more = there ? null : onto({ ...job, gear: { ...job.gear, [id]: unit } }, ({ feedId }) => feedId === id);
  const who = names(bare);
  return [
    ...(there
      ? [{ words: `Put ${who} behind the battery unit that there is.`, cost: COST.replug * bare.length, job: there }]
      : []),
    ...(more ? [{ words: `Put ${who} behind one more battery unit.`, cost: COST.unit, job: more }] : []),
  ];
}

type Spot = { feedId: string | null; wallId: string | null; outlet: number; name: string; backed: boolean };

/** Free outlets that take a device's plug and do not lie behind a part, strips before walls. */
function feedSpots(job: Job, gear: Gear, behind: Part | null): Spot[] {
  const feeds = feedsOf(job);
  const free = (id: string, all: readonly MainsOutlet[], covered: ReadonlySet<number>) =>
    all.filter(({ number }) => !feeds.plugAtOutlet.has(portKey(id, number)) && !covered.has(number));
  const avoids = (id: string): boolean => behind === null || !hangsOn(job, id, behind);
  const units = feeds.units
    .filter((unit) => unit.id !== gear.id && avoids(unit.id) && !(behind?.kind === 'gear' && behind.id === unit.id))
    .flatMap((unit) => {
      const covered = new Set(seatedPlugs(job, { feed: unit }).flatMap(({ covers }) => covers));
      return free(unit.id, outletsOf(unit), covered)
        .filter((outlet) => plugFit(job, gear, unit, outlet).fits !== 'no')
        .map(({ number, backing }) => ({
          feedId: unit.id,
          wallId: null,
          outlet: number,
          name: unit.name,
          backed: unit.kind === 'ups' && backing === 'battery',
        }));
    });
  const walls = Object.values(job.wallOutlets)
    .filter(
      (wall) => behind === null || !(behind.kind === 'wall' ? behind.id === wall.id : behind.id === wall.circuitId),
    )
    .flatMap((wall) => {
      const covered = new Set(seatedPlugs(job, { wall }).flatMap(({ covers }) => covers));
      return free(wall.id, wallOutletsOf(wall), covered)
        .filter((outlet) => plugFit(job, gear, null, outlet).fits !== 'no')
        .map(({ number }) => ({ feedId: null, wallId: wall.id, outlet: number, name: wall.name, backed: false }));
    });
  return [...units, ...walls];
}

/** Whether a strip or unit takes its power through a part. */
function hangsOn(job: Job, gearId: string, part: Part, seen: ReadonlySet<string> = new Set()): boolean {
  if (part.kind === 'gear' && part.id === gearId) return true;
  if (seen.has(gearId)) return false;
  return Object.values(job.plugs).some((plug) => {
    if (plug.gearId !== gearId) return false;
    if (part.kind === 'plug' && part.id === plug.id) return true;
    if (plug.wallId !== null)
      return part.kind === 'wall' ? plug.wallId === part.id : job.wallOutlets[plug.wallId]?.circuitId === part.id;
    return plug.feedId !== null && hangsOn(job, plug.feedId, part, new Set([...seen, gearId]));
  });
}

function withPlug(job: Job, gear: Gear, inlet: number, { feedId, wallId, outlet }: Spot): Job {
  const was = feedsOf(job).plugAtInlet.get(portKey(gear.id, inlet));
  const plug: Plug = {
    id: was?.id ?? plugId(gear.id, inlet),
    gearId: gear.id,
    inlet,
    feedId,
    wallId,
    outlet,
    fixed: false,
    lengthMm: null,
    side: null,
  };
  return { ...job, plugs: { ...job.plugs, [plug.id]: plug } };
}

function freePort(job: Job, gear: Gear): number | null {
  const { cordAtSwitchPort, uplinkAtPort } = indexJob(job);
  const free = portsOf(gear).filter(({ number }) => {
    const key = portKey(gear.id, number);
    return !cordAtSwitchPort.has(key) && !uplinkAtPort.has(key);
  });
  return free.at(-1)?.number ?? null;
}

const names = (gear: readonly Gear[]): string => {
  const all = gear.map(({ name }) => name);
  return all.length <= 3 ? all.join(', ') : `${all.slice(0, 2).join(', ')} and ${all.length - 2} more`;
};

function sentence(parts: readonly string[]): string {
  const words =
    parts.length <= 2 ? parts.join(' and ') : `${parts.slice(0, 2).join(', ')} and ${parts.length - 2} more`;
  return words.charAt(0).toUpperCase() + words.slice(1);
}
