import { always, kept } from '../../base/memo/kept';
import { mapBy } from '../../base/memo/mapBy';
import { naturalOrder } from '../../base/text/naturalOrder';
import { sameKey } from '../../base/text/sameKey';
import { type Cord, endKey, endsOf } from '../records/cord';
import type { Gear } from '../records/gear';
import type { Landing } from '../records/landing';
import type { Network } from '../records/network';
import type { Placement } from '../records/placement';
import { portKey } from '../records/portKey';
import type { Run } from '../records/run';
import { besideCordsOf, type PatchCord, patchCordsOf } from './cordKinds';
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
  cordAtPanelPort: Map<string, PatchCord>;
  cordAtSwitchPort: Map<string, PatchCord>;
  /** The cord in a port, at either end, that is no patch cord: an uplink, or one between panels or devices. */
  uplinkAtPort: Map<string, Cord>;
};

/** The port that a key names; ids hold no colon. */
export function portOfKey(key: string): { gearId: string; port: number } {
  const [gearId = '', port = ''] = key.split(':');
  return { gearId, port: Number(port) };
}
export { sameKey };

/** The index of a job. Where records clash, the first one found is kept; the snag rules name the others. */
export const indexJob: (job: Job) => JobIndex = kept(buildIndex, always);

const byLabels = (runs: Run[]): Run[] => runs.sort((a, b) => naturalOrder(a.label, b.label));
const orders = new WeakMap<Job['runs'], Run[]>();
function orderRuns(runs: Job['runs']): Run[] {
  const known = orders.get(runs);
  if (known) return known;
  const made = byLabels(Object.values(runs));
  if (Object.isFrozen(runs)) orders.set(runs, made);
  return made;
}

/** Hand the order of the runs on to their next version, brought up to date: none of these came, went or was relabelled. */
export function handOnOrder(before: Job['runs'], after: Job['runs'], changed: ReadonlySet<string>): void {
  const known = orders.get(before);
  if (!known || !Object.isFrozen(after)) return;
  orders.set(
    after,
    known.map((run) => (changed.has(run.id) && after[run.id]) || run),
  );
}
const byLabel = kept((runs: Job['runs']) => mapBy(Object.values(runs), (row) => sameKey(row.label)));
const byName = kept((networks: Job['networks']) => mapBy(Object.values(networks), (row) => sameKey(row.name)));
const byGear = kept((rows: Job['placements']) => mapBy(Object.values(rows), (row) => row.gearId));
const carriers = kept(
  (rows: Job['shelvings']) => new Map(Object.values(rows).map((row) => [row.gearId, row.carrierId])),
);
const byRun = kept((rows: Job['landings']) => mapBy(Object.values(rows), (row) => row.runId));
const byPort = kept((rows: Job['landings']) => mapBy(Object.values(rows), (row) => portKey(row.panelId, row.port)));
const byPanelPort = kept((rows: Readonly<Record<string, PatchCord>>) =>
  mapBy(Object.values(rows), (row) => portKey(row.panelId, row.panelPort)),
);
const bySwitchPort = kept((rows: Readonly<Record<string, PatchCord>>) =>
  mapBy(Object.values(rows), (row) => portKey(row.switchId, row.switchPort)),
);
const byEnds = kept(
  (rows: Readonly<Record<string, Cord>>) =>
    new Map(Object.values(rows).flatMap((row) => endsOf(row).map((end) => [endKey(end), row] as const))),
);

function gearFromTheTop(job: Job): Gear[] {
  const places = byGear(job.placements);
  const height = (gear: Gear) => places.get(gear.id)?.bottomU ?? 0;
  return Object.values(job.gear).sort(
    (a, b) => height(b) - height(a) || naturalOrder(a.name, b.name) || (a.id < b.id ? -1 : 1),
  );
}

/** Each part is made when it is first asked for. */
function buildIndex(job: Job): JobIndex {
  const parts: { [P in Exclude<keyof JobIndex, 'job'>]: () => JobIndex[P] } = {
    runsInOrder: () => orderRuns(job.runs),
    runByLabel: () => byLabel(job.runs),
    networkByName: () => byName(job.networks),
    gearInOrder: () => gearFromTheTop(job),
    placementOfGear: () => byGear(job.placements),
    carrierOfGear: () => carriers(job.shelvings),
    landingOfRun: () => byRun(job.landings),
    landingAtPort: () => byPort(job.landings),
    cordAtPanelPort: () => byPanelPort(patchCordsOf(job)),
    cordAtSwitchPort: () => bySwitchPort(patchCordsOf(job)),
    uplinkAtPort: () => byEnds(besideCordsOf(job)),
  };
  const index = { job } as JobIndex;
  for (const [part, make] of Object.entries(parts)) {
    Object.defineProperty(index, part, {
      configurable: true,
      enumerable: true,
      get: () => {
        const value = make();
        Object.defineProperty(index, part, { value, enumerable: true });
        return value;
      },
    });
  }
  return index;
}
