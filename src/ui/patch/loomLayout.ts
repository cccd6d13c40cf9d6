import { naturalOrder } from '@/core/base/text/naturalOrder';
import { type Gathering, gatherRuns } from '@/core/findings/wiring/gatherRuns';
import { patchCordsOf } from '@/core/job/document/cordKinds';
import type { Job } from '@/core/job/document/job';
import { indexJob } from '@/core/job/document/jobIndex';
import { gearShortNames } from '@/core/job/gear/shortNames';
import type { Gear } from '@/core/job/records/gear';
import type { Network } from '@/core/job/records/network';
import { portKey } from '@/core/job/records/portKey';
import { isPanel, isSwitching, type Port, portsOf } from '@/core/job/records/ports';
import type { Run } from '@/core/job/records/run';
import { farEnd } from '@/core/trade/patching/uplinks/portPlan';
import type { Trace } from '@/core/trade/trace/traceRun';

/** `index`: which row it is; `outletY`: where the outlet stands that the run starts from; runs of one outlet fork from it. */
export type LoomRow = { index: number; run: Run; trace: Trace; y: number; outletY: number };
export type LoomOutlet = { key: string; words: string; y: number };
export type LoomRoom = { key: string; words: string; y: number; height: number };
/** `fixed`: its cord stays where it is; `far`: what its uplink or cord leads to. */
export type LoomPort = {
  key: string;
  gear: Gear;
  port: Port;
  y: number;
  run: Run | null;
  fixed: boolean;
  far: string | null;
  farShort: string | null;
};
/** `folded`: a device without cords whose ports are put away until it is unfolded. */
export type LoomHead = { key: string; short: string; words: string; y: number; folded: boolean; foldable: boolean };
export type LoomNetwork = { network: Network; y: number };

export type Loom = {
  height: number;
  rowPx: number;
  rows: LoomRow[];
  rooms: LoomRoom[];
  outlets: LoomOutlet[];
  panelHeads: LoomHead[];
  panelPorts: LoomPort[];
  switchHeads: LoomHead[];
  switchPorts: LoomPort[];
  networks: LoomNetwork[];
};

const ROOM_GAP = 3;
const TOP = 6;

const HEAD_LINES = 1.6;
const linesOf = (gear: Gear, folded: boolean) => HEAD_LINES + (folded ? 0 : portsOf(gear).length);

type Taken = Pick<LoomPort, 'run' | 'fixed' | 'far' | 'farShort'>;

/** Ports of some devices in one column: a heading a device, then its ports, spread evenly over the height. */
function column(
  job: Job,
  gear: Gear[],
  height: number,
  fold: Fold,
  at: (key: string, gear: Gear, port: Port) => Taken,
) {
  const lines = gear.reduce((sum, one) => sum + linesOf(one, fold(one).folded), 0);
  const step = (height - 2 * TOP) / Math.max(1, lines);
  const heads: LoomHead[] = [];
  const ports: LoomPort[] = [];
  let line = 0;
  for (const one of gear) {
    heads.push({
      key: one.id,
      short: gearShortNames(job).get(one.id) ?? '',
      words: one.name,
      y: TOP + (line + HEAD_LINES / 2) * step,
      ...fold(one),
    });
    line += HEAD_LINES;
    if (fold(one).folded) continue;
    for (const port of portsOf(one)) {
      const key = portKey(one.id, port.number);
      ports.push({ key, gear: one, port, y: TOP + (line + 0.5) * step, ...at(key, one, port) });
      line += 1;
    }
  }
  return { heads, ports };
}

/**
 * Devices without cords that are folded up so that the rest fits: routers first, then those with the fewest copper
 * ports. One device always stays open.
 */
function idleToFold(job: Job, devices: Gear[], room: number): Set<string> {
  const withCords = new Set(Object.values(patchCordsOf(job)).map((cord) => cord.switchId));
  const copper = (gear: Gear) => portsOf(gear).filter((port) => port.connector === 'rj45').length;
  const rank = (gear: Gear) => (gear.kind === 'router' ? 0 : 1 + copper(gear));
  const idle = devices.filter((gear) => !withCords.has(gear.id)).sort((a, b) => rank(a) - rank(b));
  const folded = new Set<string>();
  let lines = devices.reduce((sum, gear) => sum + linesOf(gear, false), 0);
  for (const gear of idle) {
    if (lines <= room || folded.size === devices.length - 1) break;
    folded.add(gear.id);
    lines -= portsOf(gear).length;
  }
  return folded;
}

type Fold = (gear: Gear) => { folded: boolean; foldable: boolean };

/**
 * Where everything of the loom stands.
 * @param least height of the view; rows are never lower than `rowPx`
 * @param unfolded devices without cords whose ports are shown all the same
 */
export function layLoom(
  job: Job,
  least: number,
  rowPx: number,
  unfolded: ReadonlySet<string>,
  gathering: Gathering,
): Loom {
  const index = indexJob(job);
  const groups = gatherRuns(job, gathering);
  const shown = groups.flatMap(({ forks }) => forks.flat()).length;
  const panels = index.gearInOrder.filter(isPanel);
  const switching = index.gearInOrder.filter(isSwitching);
  const noFold: Fold = () => ({ folded: false, foldable: false });
  const portPx = rowPx * 0.88;
  const foldable = idleToFold(job, switching, (least - 2 * TOP) / portPx);
  const fold: Fold = ({ id }) => ({ folded: foldable.has(id) && !unfolded.has(id), foldable: foldable.has(id) });
  const lines = (gear: Gear[], by: Fold) => gear.reduce((sum, one) => sum + linesOf(one, by(one).folded), 0);
  const gaps = groups.length * ROOM_GAP;
  const height = Math.max(
    least,
    shown * rowPx + gaps + 2 * TOP,
    Math.max(lines(panels, noFold), lines(switching, fold)) * portPx + 2 * TOP,
  );

  const step = (height - gaps - 2 * TOP) / Math.max(1, shown);
  const pitch = Math.min(step, rowPx * 2.2);
  const rows: LoomRow[] = [];
  const rooms: LoomRoom[] = [];
  const outlets: LoomOutlet[] = [];
  let y = TOP;
  for (const { key, words, forks } of groups) {
    rooms.push({ key, words, y, height: forks.flat().length * pitch });
    for (const fork of forks) {
      const outletY = y + (fork.length * pitch) / 2;
      const [{ run: first }] = fork;
      outlets.push({ key: first.id, words: first.outlet, y: outletY });
      for (const trace of fork) {
        rows.push({ index: rows.length, run: trace.run, trace, y: y + pitch / 2, outletY });
        y += pitch;
      }
    }
    y += ROOM_GAP;
  }

  const landed = (key: string): Taken => ({
    run: job.runs[index.landingAtPort.get(key)?.runId ?? ''] ?? null,
    fixed: false,
    far: null,
    farShort: null,
  });
  const patched = (key: string, gear: Gear, port: Port): Taken => {
    const cord = index.cordAtSwitchPort.get(key);
    const landing = cord && index.landingAtPort.get(portKey(cord.panelId, cord.panelPort));
    return {
      run: job.runs[landing?.runId ?? ''] ?? null,
      fixed: cord?.fixed ?? false,
      far: farEnd(job, gear.id, port.number)?.words ?? null,
      farShort: farEnd(job, gear.id, port.number)?.short ?? null,
    };
  };
  const left = column(job, panels, height, noFold, landed);
  const right = column(job, switching, height, fold, patched);

  const used = new Set(index.runsInOrder.map((run) => run.networkId));
  const networks = Object.values(job.networks)
    .filter((network) => used.has(network.id))
    .sort((a, b) => naturalOrder(a.name, b.name));
  const apart = (height - 2 * TOP) / Math.max(1, networks.length);
  return {
    height,
    rowPx: pitch,
    rows,
    rooms,
    outlets,
    panelHeads: left.heads,
    panelPorts: left.ports,
    switchHeads: right.heads,
    switchPorts: right.ports,
    networks: networks.map((network, at) => ({ network, y: TOP + apart * (at + 0.5) })),
  };
}
