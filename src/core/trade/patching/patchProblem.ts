import type { BudgetedProblem } from '../../base/solve/budgeted/problem';
import { DEVICE_WORDS } from '../../base/text/deviceWords';
import type { PatchCord } from '../../job/document/cordKinds';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob, type JobIndex } from '../../job/document/jobIndex';
import { portCentreX } from '../../job/gear/portLayout';
import type { Gear } from '../../job/records/gear';
import type { Landing } from '../../job/records/landing';
import { portKey } from '../../job/records/portKey';
import { isCage, isSwitched, type Port, portsOf } from '../../job/records/ports';
import { isLive, type Run } from '../../job/records/run';
import { linkFedW } from '../power/linkFed';
import { deviceWattsOf, takesPower } from '../power/poe';
import { budgetWatts } from './budgetWatts';
import { cordKindFor, cordPathMm, portHeightMm, stockLengthMm, stockLengths, wayBetween } from './cords/cordLength';
import { portFault } from './fitness';
import { type KeptPort, type LinkPlan, portsToKeep } from './keptPorts';
import { allowedNetworks } from './networks/allowed';
import { type PatchWish, POINT_GRAIN, patchPoints } from './patchWish';
import { runBehind } from './switchLoad';

export type Seat = { gear: Gear; port: Port };
/** A run that is to be patched, with the cord that it has now. */
export type Wanting = { run: Run; landing: Landing; budgetW: number; cord: PatchCord | null };

export type PatchTask = {
  /** Rows of the problem: first these, then what is kept back. */
  wanting: Wanting[];
  kept: KeptPort[];
  links: LinkPlan[];
  seats: Seat[];
  switches: Gear[];
  /** Watts of each switch that are not taken by cords that stay. */
  spareW: number[];
  problem: BudgetedProblem;
  /** Runs that cannot take part, each with its reason. */
  outside: { run: Run; why: string }[];
};

const SPEED_STEPS = [1000, 2500, 5000, 10_000, 25_000, 40_000];
const stepsOver = (wanted: number, has: number): number =>
  SPEED_STEPS.filter((step) => step > Math.max(wanted, 1000) && step <= has).length;

/** The choice of switch ports as an assignment within the power budgets. */
export function patchTask(job: Job, wish: PatchWish): PatchTask {
  const index = indexJob(job);
  const outside: PatchTask['outside'] = [];
  const wanting = runsToPatch(index, wish, outside);
  const moving = new Set(wanting.flatMap(({ cord }) => (cord ? [cord.id] : [])));
  const taken = new Set(index.uplinkAtPort.keys());
  for (const cord of Object.values(patchCordsOf(job)))
    if (!moving.has(cord.id)) taken.add(portKey(cord.switchId, cord.switchPort));
  const switches = index.gearInOrder.filter((gear) => gear.kind === 'switch');
  const spareW = switches.map((gear) => Math.max(0, gear.poeBudgetW - linkFedW(index, gear)));
  const at = new Map(switches.map((gear, group) => [gear.id, group]));
  const staying = switches.map(() => 0);
  for (const cord of Object.values(patchCordsOf(job))) {
    const group = at.get(cord.switchId);
    const run = runBehind(index.job, cord);
    if (moving.has(cord.id) || group === undefined || !run) continue;
    const watts = budgetWatts(job, run);
    spareW[group] = (spareW[group] ?? 0) - (Number.isFinite(watts) ? watts : deviceWattsOf(run));
    if (run.critical) staying[group] = (staying[group] ?? 0) + 1;
  }
  const seats = switches.flatMap((gear) =>
    portsOf(gear)
      .filter((port) => !taken.has(portKey(gear.id, port.number)))
      .map((port) => ({ gear, port })),
  );
  const { kept, links } = wish.only ? { kept: [], links: [] } : portsToKeep(job, taken);
  const rows = wanting.length + kept.length;
  const columns = seats.length;
  const cost = new Float64Array(rows * columns).fill(Number.POSITIVE_INFINITY);
  const points = pointsOf(index, wish, wanting, seats, at, staying);
  wanting.forEach((one, row) => {
    seats.forEach((seat, column) => {
      cost[row * columns + column] = points(one, row, seat, column);
    });
  });
  kept.forEach((one, at) => {
    seats.forEach((seat, column) => {
      cost[(wanting.length + at) * columns + column] = keptPoints(one, seat);
    });
  });
  return {
    wanting,
    kept,
    links,
    seats,
    switches,
    spareW,
    outside,
    problem: {
      rows,
      columns,
      cost,
      leftOut: Float64Array.from([
        ...wanting.map(({ run }) => leftOutPoints(run)),
        ...kept.map(({ kind }) => patchPoints.notKept[kind]),
      ]),
      must: new Uint8Array(rows),
      // No port takes what no class carries, so that its weight does not count.
      weight: Float64Array.from([
        ...wanting.map(({ budgetW }) => (Number.isFinite(budgetW) ? budgetW : 0)),
        ...kept.map(() => 0),
      ]),
      groupOf: Int32Array.from(seats, ({ gear }) => at.get(gear.id) ?? 0),
      budget: Float64Array.from(spareW, (watts) => Math.max(0, watts)),
    },
  };
}

function runsToPatch(index: JobIndex, wish: PatchWish, outside: PatchTask['outside']): Wanting[] {
  const wanting: Wanting[] = [];
  for (const run of index.runsInOrder) {
    if (wish.only && !wish.only.has(run.id)) continue;
    const landing = index.landingOfRun.get(run.id);
    const cord = (landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port))) ?? null;
    if (cord && (wish.moves === 'none' || cord.fixed)) continue;
    if (!isLive(run) && !wish.includeSpare && !cord) continue;
    if (!isSwitched(run.carries)) {
      if (isLive(run)) outside.push({ run, why: `${run.label} carries ${run.carries}, which no switch takes.` });
    } else if (!landing) outside.push({ run, why: `${run.label} is not landed on a panel yet.` });
    else wanting.push({ run, landing, budgetW: budgetWatts(index.job, run), cord });
  }
  return wanting;
}

function leftOutPoints(run: Run): number {
  const { critical, accessPoint, live, spare } = patchPoints.leftOut;
  if (!isLive(run)) return spare;
  return run.critical ? critical : isAccessPoint(run) ? accessPoint : live;
}

/** An access point serves many: it is not dropped for one camera. */
export const isAccessPoint = ({ device }: Run): boolean => DEVICE_WORDS['access point']?.test(device) ?? false;

/** Points of a port for a link or a device in the rack: fast enough, without power, and at the end of the row. */
function keptPoints({ on, cage, mbps }: KeptPort, { gear, port }: Seat): number {
  const fits = on.has(gear.id) && isCage(port) === cage && (cage || port.connector === 'rj45') && port.use === 'access';
  if (!fits) return Number.POSITIVE_INFINITY;
  const slower = mbps !== null && port.speedMbps !== null && port.speedMbps < mbps ? 1 : 0;
  const over = mbps === null ? 0 : stepsOver(mbps, port.speedMbps ?? 0);
  const last = portsOf(gear).length - port.number;
  const points =
    slower * patchPoints.notSpread +
    over * patchPoints.perSpeedStepOver +
    (port.poeW > 0 ? patchPoints.powerUnused : 0) +
    last * patchPoints.perPortNumber;
  return Math.round(points / POINT_GRAIN) * POINT_GRAIN;
}

function pointsOf(
  index: JobIndex,
  wish: PatchWish,
  wanting: Wanting[],
  seats: Seat[],
  groupOf: Map<string, number>,
  staying: number[],
) {
  const { job } = index;
  const stock = stockLengths(job);
  const allowed = allowedNetworks(index.job);
  const switchXs = seats.map(({ gear, port }) => portCentreX(gear, port.number));
  const switchYs = seats.map(({ gear, port }) => portHeightMm(job, gear.id, port.number));
  const panelYs = wanting.map(({ landing }) => portHeightMm(job, landing.panelId, landing.port));
  const kinds = seats.map(({ gear, port }) => cordKindFor(job, gear, port.number));
  const block = wish.school === 'network' ? blockSeats(index, wanting, seats) : null;
  const home = wish.spread ? spreadSwitches(wanting, seats, groupOf, staying) : null;

  return ({ run, landing, budgetW, cord }: Wanting, row: number, { gear, port }: Seat, column: number): number => {
    if (portFault(run, port)) return Number.POSITIVE_INFINITY;
    const networks = allowed.get(gear.id);
    if (networks && run.networkId !== null && !networks.has(run.networkId)) return Number.POSITIVE_INFINITY;
    const stays = cord?.switchId === gear.id && cord.switchPort === port.number;
    const panel = job.gear[landing.panelId];
    const way = wayBetween(index.job, landing.panelId, gear.id);
    const x1 = panel ? portCentreX(panel, landing.port) : null;
    const x2 = switchXs[column] ?? null;
    let points = 0;
    if (way && x1 !== null && x2 !== null) {
      const dropMm = Math.abs((panelYs[row] ?? 0) - (switchYs[column] ?? 0));
      const mm = cordPathMm(way.way, x1, x2, dropMm, kinds[column], way.widthMm);
      // A cord that lies there and is of a known length is not measured anew.
      const length = (stays && cord?.lengthMm) || stockLengthMm(stock, mm);
      if (length === null) return Number.POSITIVE_INFINITY;
      points += length / 10 + patchPoints.perWayCm * (mm / 10) + patchPoints.perWayCmSquared * (mm / 10) ** 2;
    } else points += patchPoints.unknownCordCm;
    const overW = port.poeW - (Number.isFinite(budgetW) ? budgetW : 0);
    if (port.poeW > 0)
      points += takesPower(run) ? patchPoints.perWattOver * Math.max(0, overW) : patchPoints.powerUnused;
    points += patchPoints.perSpeedStepOver * stepsOver(run.speedMbps ?? 0, port.speedMbps ?? 0);
    points += patchPoints.perPortNumber * port.number;
    if (wish.school === 'number' && landing.port !== port.number) points += patchPoints.numberMismatch;
    if (block) points += patchPoints.perPortFromBlock * Math.abs(column - (block[row] as number));
    const wanted = home?.[row];
    if (wanted !== undefined && wanted >= 0 && groupOf.get(gear.id) !== wanted) points += patchPoints.notSpread;
    if (wish.moves === 'few' && cord && !stays) points += patchPoints.move;
    return Math.round(points / POINT_GRAIN) * POINT_GRAIN;
  };
}

/** For each run the seat it would have if seats were dealt network after network, those with the most runs first. */
function blockSeats({ job }: JobIndex, wanting: Wanting[], seats: Seat[]): number[] {
  const runsOf = new Map<string, number>();
  const network = ({ run }: Wanting) => run.networkId ?? '';
  for (const one of wanting) runsOf.set(network(one), (runsOf.get(network(one)) ?? 0) + 1);
  const order = [...wanting.keys()].sort((a, b) => {
    const [one, other] = [wanting[a] as Wanting, wanting[b] as Wanting];
    const [first, second] = [network(one), network(other)];
    if (first === second) return a - b;
    const more = (runsOf.get(second) ?? 0) - (runsOf.get(first) ?? 0);
    return more || (job.networks[first]?.name ?? '').localeCompare(job.networks[second]?.name ?? '');
  });
  const open = seats.flatMap(({ port }, column) => (port.connector === 'rj45' ? [column] : []));
  const block: number[] = [];
  order.forEach((row, at) => {
    block[row] = open[at] ?? at;
  });
  return block;
}

/** For each critical run the switch it should be on so that no switch has all of them; -1 for the others. */
function spreadSwitches(
  wanting: Wanting[],
  seats: Seat[],
  groupOf: Map<string, number>,
  staying: number[],
): number[] | null {
  const has = [...staying];
  const home = wanting.map(({ run }) => {
    if (!run.critical) return -1;
    const open = [
      ...new Set(seats.flatMap(({ gear, port }) => (portFault(run, port) ? [] : [groupOf.get(gear.id) ?? 0]))),
    ];
    if (open.length < 2) return -1;
    const least = open.reduce(
      (best, group) => ((has[group] ?? 0) < (has[best] ?? 0) ? group : best),
      open[0] as number,
    );
    has[least] = (has[least] ?? 0) + 1;
    return least;
  });
  return home.some((group) => group >= 0) ? home : null;
}
