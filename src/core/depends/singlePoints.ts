import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { batteryAbove, circuitAbove, feedsOf } from '../power/feeds';
import type { Gear } from '../records/gear';
import { inletCount } from '../records/mainsSockets';
import { portKey } from '../records/portKey';
import { isSwitching, portsOf } from '../records/ports';
import { isLive, isNow } from '../records/run';
import { MAINS, type Part, partName, partsOf } from './parts';
import { type Lost, trip } from './trip';

export type SinglePoint = {
  part: Part;
  name: string;
  lost: readonly Lost[];
  /** How grave it is: the internet, what is critical and what is many weigh most. */
  weight: number;
  /** The cheapest change that would take it away, or shorten it where nothing does. */
  remedy: string;
};

/** Weight of a service that is gone altogether. Common practice, no source. */
const WEIGHTS: Readonly<Record<string, number>> = {
  Internet: 40,
  Telephones: 15,
  Doors: 15,
  Recording: 12,
  Wireless: 10,
  Cameras: 10,
};
const USUAL_WEIGHT = 6;
const CRITICAL_WEIGHT = 3;

/** Everything whose failure alone takes a service or a device away, gravest first. */
export function singlePoints(job: Job): SinglePoint[] {
  const noMinutes = () => null;
  return partsOf(job)
    .flatMap((part): SinglePoint[] => {
      const { now, cutNow, darkNow } = trip(job, [part], noMinutes);
      if (now.length === 0) return [];
      const critical = cutNow.filter((id) => job.runs[id]?.critical).length;
      const weight =
        now.reduce((sum, { service, lost, of }) => sum + ((WEIGHTS[service] ?? USUAL_WEIGHT) * lost) / of, 0) +
        critical * CRITICAL_WEIGHT;
      return [{ part, name: partName(job, part), lost: now, weight, remedy: remedyFor(job, part, darkNow) }];
    })
    .sort((a, b) => b.weight - a.weight);
}

/** The cheapest change that takes a single point of failure away. Common practice, no source. */
function remedyFor(job: Job, part: Part, dark: readonly string[]): string {
  const feeds = feedsOf(job);
  const index = indexJob(job);
  const devices = dark.flatMap((id) => job.gear[id] ?? []);
  const twoInlets = devices.filter((gear) => inletCount(gear) > 1);
  switch (part.kind) {
    case 'mains':
    case 'circuit':
    case 'wall': {
      const bare = devices.filter(
        (gear) => gear.kind !== 'ups' && inletCount(gear) > 0 && batteryAbove(feeds, gear.id, 1) === null,
      );
      const [two] = twoInlets;
      if (part !== MAINS && two && otherCircuit(job, two) !== null)
        return `Plug one supply of ${two.name} into ${otherCircuit(job, two)}.`;
      if (bare.length > 0)
        return `Put ${names(bare)} behind a battery unit${part.kind === 'mains' ? '' : ', or spread the devices over two circuits'}. A new circuit is work for a licensed electrician.`;
      return 'Larger batteries, or a generator with a transfer switch.';
    }
    case 'plug': {
      const gear = job.gear[job.plugs[part.id]?.gearId ?? ''];
      return gear && inletCount(gear) > 1
        ? `Plug the other supply of ${gear.name} in as well.`
        : 'A spare cord in the cabinet: it is changed in a minute.';
    }
    case 'gear': {
      const gear = job.gear[part.id];
      if (!gear) return '';
      if (gear.kind === 'distribution' || gear.kind === 'ups') {
        const [two] = twoInlets;
        if (two) return `Move one supply of ${two.name} to another strip or battery unit.`;
        return gear.kind === 'ups'
          ? 'A second battery unit, or a bypass switch, so that it can be changed.'
          : 'A second strip on another outlet, so that what matters is not all on one.';
      }
      if (isSwitching(gear))
        return `A spare like ${gear.name} with its settings kept, or what is critical over two switches.`;
      return `A spare like ${gear.name}, its settings kept elsewhere.`;
    }
    case 'uplink': {
      const uplink = job.uplinks[part.id];
      const ends = [job.gear[uplink?.fromId ?? ''], job.gear[uplink?.toId ?? '']];
      const free = ends.every((gear) => gear !== undefined && freePort(job, gear) !== null);
      return free
        ? `A second uplink: ${ends.map((gear) => `${gear?.name} port ${gear ? freePort(job, gear) : ''}`).join(' to ')}.`
        : 'A second uplink; a port must be made free for it first.';
    }
    case 'cord':
      return 'A spare cord in the cabinet: it is changed in a minute.';
    case 'run': {
      const run = job.runs[part.id];
      const spare = index.runsInOrder.find(
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

const names = (gear: readonly Gear[]): string =>
  gear.length <= 3
    ? gear.map(({ name }) => name).join(', ')
    : `${gear
        .slice(0, 2)
        .map(({ name }) => name)
        .join(', ')} and ${gear.length - 2} more`;

/** An outlet of another circuit than both supplies of a device are on; null: there is none. */
function otherCircuit(job: Job, gear: Gear): string | null {
  const feeds = feedsOf(job);
  const own = new Set(Array.from({ length: inletCount(gear) }, (_, at) => circuitAbove(feeds, gear.id, at + 1)));
  const wall = Object.values(job.wallOutlets).find(
    ({ id, circuitId, count }) =>
      circuitId !== null && !own.has(circuitId) && (feeds.plugsInto.get(id) ?? []).length < count,
  );
  return wall?.name ?? null;
}

function freePort(job: Job, gear: Gear): number | null {
  const { cordAtSwitchPort, uplinkAtPort } = indexJob(job);
  const free = portsOf(gear).filter(({ number }) => {
    const key = portKey(gear.id, number);
    return !cordAtSwitchPort.has(key) && !uplinkAtPort.has(key);
  });
  return free.at(-1)?.number ?? null;
}
