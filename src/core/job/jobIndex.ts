import type { Cord } from '../records/cord';
import type { Gear } from '../records/gear';
import type { Landing } from '../records/landing';
import type { Network } from '../records/network';
import type { Placement } from '../records/placement';
import type { Run } from '../records/run';
import type { Uplink } from '../records/uplink';
import { naturalOrder } from '../text/naturalOrder';
import { sameKey } from '../text/sameKey';
import type { Job } from './job';

/** Look-ups over one job, made once for each version of it. */
export type JobIndex = {
  job: Job;
  runsInOrder: Run[];
  runByLabel: Map<string, Run>;
  networkByName: Map<string, Network>;
  /** Panels, switches and the rest from the top of the racks down, unplaced ones last. */
  gearInOrder: Gear[];
  placementOfGear: Map<string, Placement>;
  /** Shelf, drawer or kit by id of what stands in it. */
  carrierOfGear: Map<string, string>;
  landingOfRun: Map<string, Landing>;
  /** Keys of the following two are `portKey`. */
  landingAtPort: Map<string, Landing>;
  cordAtPanelPort: Map<string, Cord>;
  cordAtSwitchPort: Map<string, Cord>;
  /** The uplink in a port, at either end. */
  uplinkAtPort: Map<string, Uplink>;
};

export const portKey = (gearId: string, port: number): string => `${gearId}:${port}`;
/** The port that a key names; ids hold no colon. */
export function portOfKey(key: string): { gearId: string; port: number } {
  const [gearId = '', port = ''] = key.split(':');
  return { gearId, port: Number(port) };
}
export { sameKey };

const cache = new WeakMap<Job, JobIndex>();

/** The index of a job. Where records clash, the first one found is kept; the snag rules name the others. */
export function indexJob(job: Job): JobIndex {
  const known = cache.get(job);
  if (known) return known;
  const index = buildIndex(job);
  cache.set(job, index);
  return index;
}

function mapBy<T>(rows: Iterable<T>, key: (row: T) => string): Map<string, T> {
  const map = new Map<string, T>();
  for (const row of rows) {
    const at = key(row);
    if (!map.has(at)) map.set(at, row);
  }
  return map;
}

const orderCache = new WeakMap<Job['runs'], Run[]>();

function runsInOrder(runs: Job['runs']): Run[] {
  const known = orderCache.get(runs);
  if (known) return known;
  const ordered = Object.values(runs).sort((a, b) => naturalOrder(a.label, b.label));
  orderCache.set(runs, ordered);
  return ordered;
}

function buildIndex(job: Job): JobIndex {
  const placementOfGear = mapBy(Object.values(job.placements), (row) => row.gearId);
  const landings = Object.values(job.landings);
  const cords = Object.values(job.cords);
  const height = (gear: Gear) => placementOfGear.get(gear.id)?.bottomU ?? 0;
  return {
    job,
    runsInOrder: runsInOrder(job.runs),
    runByLabel: mapBy(Object.values(job.runs), (row) => sameKey(row.label)),
    networkByName: mapBy(Object.values(job.networks), (row) => sameKey(row.name)),
    gearInOrder: Object.values(job.gear).sort(
      (a, b) => height(b) - height(a) || naturalOrder(a.name, b.name) || (a.id < b.id ? -1 : 1),
    ),
    placementOfGear,
    carrierOfGear: new Map(Object.values(job.shelvings).map((row) => [row.gearId, row.carrierId])),
    landingOfRun: mapBy(landings, (row) => row.runId),
    landingAtPort: mapBy(landings, (row) => portKey(row.panelId, row.port)),
    cordAtPanelPort: mapBy(cords, (row) => portKey(row.panelId, row.panelPort)),
    cordAtSwitchPort: mapBy(cords, (row) => portKey(row.switchId, row.switchPort)),
    uplinkAtPort: new Map(
      Object.values(job.uplinks).flatMap((row) => [
        [portKey(row.fromId, row.fromPort), row] as const,
        [portKey(row.toId, row.toPort), row] as const,
      ]),
    ),
  };
}
