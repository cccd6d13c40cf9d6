import { isSwitched, type Port, portsOf } from '../gear/ports';
import type { Job } from '../job/job';
import { indexJob, type JobIndex, portKey } from '../job/jobIndex';
import type { Cord } from '../job/records/cord';
import type { Gear } from '../job/records/gear';
import type { Landing } from '../job/records/landing';
import { isLive, type Run } from '../job/records/run';
import { portWattsFor } from '../power/poe';
import { assign } from '../solve/assignment';
import { formatSpeed } from '../text/speed';
import { pathBetweenMm } from './cordLength';
import { portFault } from './fitness';
import { switchLoads } from './switchLoad';

export type PatchWish = {
  /** Patch runs without a device as well. */
  includeSpare?: boolean;
  /** Consider these runs only. */
  only?: ReadonlySet<string>;
};

export type PlannedCord = Omit<Cord, 'id' | 'lengthMm' | 'colour'>;

export type PatchPlan = {
  cords: PlannedCord[];
  /** Runs left out, each with its reason in a sentence that begins with its label. */
  left: { runId: string; why: string }[];
  /** True when no other choice patches more runs by weight, or as many at less cost. */
  proven: boolean;
};

type Seat = { gear: Gear; port: Port };
type Wanting = { run: Run; landing: Landing; needW: number };

/** Points, smaller is better. Common practice: nobody critical left out, power and speed not wasted, cords short. */
const POINTS = {
  leftOut: { critical: 1_000_000, live: 100_000, spare: 10_000 },
  powerUnused: 400,
  speedStepOver: 60,
  perCordMm: 0.05,
  /** Growing with the square, so that of two pairings of equal length the one without a crossing wins. */
  perCordMmSquared: 2e-5,
  /** Keeps ties in order of port number. */
  perPortNumber: 0.01,
} as const;
const UNKNOWN_PATH_MM = 2000;
const SPEED_STEPS = [1000, 2500, 5000, 10_000, 25_000, 40_000];

const stepsOver = (wanted: number, has: number): number =>
  SPEED_STEPS.filter((step) => step > Math.max(wanted, 999) && step <= has && step > 1000).length;

/**
 * Switch ports for the runs that have none: power per port and per switch, speed and kind of port are kept, and cords
 * that are there stay. While no power budget binds this is one assignment problem, solved exactly. Where one binds,
 * runs are priced out by watts and then fitted back in: a good choice, and `proven` says that it is not more.
 */
export function planPatching(job: Job, wish: PatchWish = {}): PatchPlan {
  const index = indexJob(job);
  const plan: PatchPlan = { cords: [], left: [], proven: true };
  const wanting = runsToPatch(index, wish, plan);
  const seats = freeSeats(index);
  if (wanting.length === 0) return plan;

  const columns = seats.length;
  const base = new Float64Array(wanting.length * columns);
  const leftOut = Float64Array.from(wanting, ({ run }) => leftOutPoints(run));
  wanting.forEach((one, row) => {
    seats.forEach((seat, column) => {
      base[row * columns + column] = seatPoints(job, one, seat);
    });
  });

  const spareW = spareWatts(index, seats);
  let columnOf = assign(wanting.length, columns, base, leftOut).columnOf;
  if (overBudget(wanting, seats, columnOf, spareW).length > 0) {
    plan.proven = false;
    columnOf = withinBudget(wanting, seats, base, leftOut, spareW);
  }

  wanting.forEach((one, row) => {
    const seat = seats[columnOf[row] as number];
    if (seat) {
      plan.cords.push({
        panelId: one.landing.panelId,
        panelPort: one.landing.port,
        switchId: seat.gear.id,
        switchPort: seat.port.number,
        fixed: false,
      });
    } else plan.left.push({ runId: one.run.id, why: whyLeftOut(one, seats, columnOf, spareW, wanting) });
  });
  return plan;
}

function runsToPatch(index: JobIndex, wish: PatchWish, plan: PatchPlan): Wanting[] {
  const wanting: Wanting[] = [];
  for (const run of index.runsInOrder) {
    if (wish.only && !wish.only.has(run.id)) continue;
    if (!isLive(run) && !wish.includeSpare) continue;
    const landing = index.landingOfRun.get(run.id);
    if (landing && index.cordAtPanelPort.has(portKey(landing.panelId, landing.port))) continue;
    if (!isSwitched(run.carries)) {
      if (isLive(run))
        plan.left.push({ runId: run.id, why: `${run.label} carries ${run.carries}, which no switch takes.` });
    } else if (!landing) plan.left.push({ runId: run.id, why: `${run.label} is not landed on a panel yet.` });
    else wanting.push({ run, landing, needW: portWattsFor(run.poeW) });
  }
  return wanting;
}

const freeSeats = (index: JobIndex): Seat[] =>
  index.gearInOrder
    .filter((gear) => gear.kind === 'switch')
    .flatMap((gear) =>
      portsOf(gear)
        .filter((port) => !index.cordAtSwitchPort.has(portKey(gear.id, port.number)))
        .map((port) => ({ gear, port })),
    );

function leftOutPoints(run: Run): number {
  const { critical, live, spare } = POINTS.leftOut;
  return isLive(run) ? (run.critical ? critical : live) : spare;
}

function seatPoints(job: Job, { run, landing, needW }: Wanting, { gear, port }: Seat): number {
  if (portFault(run, port)) return Number.POSITIVE_INFINITY;
  const path = pathBetweenMm(job, {
    panelId: landing.panelId,
    panelPort: landing.port,
    switchId: gear.id,
    switchPort: port.number,
  });
  const unusedPower = needW === 0 && port.poeW > 0 ? POINTS.powerUnused : (port.poeW - needW) * 0.5;
  return (
    unusedPower +
    POINTS.speedStepOver * stepsOver(run.speedMbps ?? 0, port.speedMbps ?? 0) +
    POINTS.perCordMm * (path ?? UNKNOWN_PATH_MM) +
    POINTS.perCordMmSquared * (path ?? UNKNOWN_PATH_MM) ** 2 +
    POINTS.perPortNumber * port.number
  );
}

/** Watts that each switch can still give away. */
function spareWatts(index: JobIndex, seats: Seat[]): Map<string, number> {
  const loads = switchLoads(index);
  return new Map(seats.map(({ gear }) => [gear.id, gear.poeBudgetW - (loads.get(gear.id)?.usedW ?? 0)]));
}

function wattsGiven(wanting: Wanting[], seats: Seat[], columnOf: Int32Array): Map<string, number> {
  const given = new Map<string, number>();
  wanting.forEach(({ needW }, row) => {
    const seat = seats[columnOf[row] as number];
    if (seat && needW > 0) given.set(seat.gear.id, (given.get(seat.gear.id) ?? 0) + needW);
  });
  return given;
}

const SLACK_W = 1e-6;

function overBudget(wanting: Wanting[], seats: Seat[], columnOf: Int32Array, spareW: Map<string, number>): string[] {
  return [...wattsGiven(wanting, seats, columnOf)]
    .filter(([gearId, watts]) => watts > (spareW.get(gearId) ?? 0) + SLACK_W)
    .map(([gearId]) => gearId);
}

/**
 * Raise a price per watt on each switch that is over its budget until all are within it, then fit back in, dearest
 * first, whom the rest still has watts and a port for.
 */
function withinBudget(
  wanting: Wanting[],
  seats: Seat[],
  base: Float64Array,
  leftOut: Float64Array,
  spareW: Map<string, number>,
): Int32Array {
  const columns = seats.length;
  const perWatt = new Map<string, number>();
  const priced = new Float64Array(base);
  let columnOf = new Int32Array(wanting.length).fill(-1);
  for (let round = 0; round < 60; round++) {
    wanting.forEach(({ needW }, row) => {
      seats.forEach(({ gear }, column) => {
        const at = row * columns + column;
        priced[at] = (base[at] as number) + (needW > 0 ? needW * (perWatt.get(gear.id) ?? 0) : 0);
      });
    });
    columnOf = Int32Array.from(assign(wanting.length, columns, priced, leftOut).columnOf);
    const over = overBudget(wanting, seats, columnOf, spareW);
    if (over.length === 0) break;
    for (const gearId of over) perWatt.set(gearId, Math.max(10, (perWatt.get(gearId) ?? 0) * 1.3));
  }
  dropUntilWithin(wanting, seats, columnOf, leftOut, spareW);
  return fitBack(wanting, seats, base, leftOut, spareW, columnOf);
}

/** Last resort where prices alone do not settle it: the least important, then the hungriest, goes first. */
function dropUntilWithin(
  wanting: Wanting[],
  seats: Seat[],
  columnOf: Int32Array,
  leftOut: Float64Array,
  spareW: Map<string, number>,
) {
  for (;;) {
    const [gearId] = overBudget(wanting, seats, columnOf, spareW);
    if (gearId === undefined) return;
    const [row] = wanting
      .map((one, at) => ({ one, at }))
      .filter(({ one, at }) => one.needW > 0 && seats[columnOf[at] as number]?.gear.id === gearId)
      .map(({ at }) => at)
      .sort(
        (a, b) =>
          (leftOut[a] as number) - (leftOut[b] as number) || (wanting[b]?.needW ?? 0) - (wanting[a]?.needW ?? 0),
      );
    if (row === undefined) return;
    columnOf[row] = -1;
  }
}

function fitBack(
  wanting: Wanting[],
  seats: Seat[],
  base: Float64Array,
  leftOut: Float64Array,
  spareW: Map<string, number>,
  columnOf: Int32Array,
): Int32Array {
  const columns = seats.length;
  const given = wattsGiven(wanting, seats, columnOf);
  const used = new Set([...columnOf].filter((column) => column >= 0));
  const waiting = wanting
    .map((one, row) => ({ one, row }))
    .filter(({ row }) => columnOf[row] === -1)
    .sort((a, b) => (leftOut[b.row] as number) - (leftOut[a.row] as number) || a.one.needW - b.one.needW);
  for (const { one, row } of waiting) {
    let best = -1;
    seats.forEach(({ gear }, column) => {
      const points = base[row * columns + column] as number;
      const watts = (given.get(gear.id) ?? 0) + one.needW;
      if (used.has(column) || !Number.isFinite(points)) return;
      if (one.needW > 0 && watts > (spareW.get(gear.id) ?? 0) + SLACK_W) return;
      if (best < 0 || points < (base[row * columns + best] as number)) best = column;
    });
    const seat = seats[best];
    if (!seat) continue;
    columnOf[row] = best;
    used.add(best);
    given.set(seat.gear.id, (given.get(seat.gear.id) ?? 0) + one.needW);
  }
  return columnOf;
}

function whyLeftOut(
  one: Wanting,
  seats: Seat[],
  columnOf: Int32Array,
  spareW: Map<string, number>,
  wanting: Wanting[],
): string {
  const { run, needW } = one;
  if (seats.length === 0) return `${run.label} finds no free switch port.`;
  const fits = seats.filter(({ port }) => portFault(run, port)?.kind !== 'connector');
  if (fits.length === 0) return `${run.label} carries ${run.carries}, and no free switch port takes that.`;
  const fast = fits.filter(({ port }) => portFault(run, port)?.kind !== 'speed');
  if (fast.length === 0) {
    const fastest = Math.max(...fits.map(({ port }) => port.speedMbps ?? 0));
    return `${run.label} wants ${formatSpeed(run.speedMbps ?? 0)}; the fastest free port for ${run.carries} is ${formatSpeed(fastest)}.`;
  }
  const strong = fast.filter(({ port }) => portFault(run, port) === null);
  if (strong.length === 0) {
    if (!Number.isFinite(needW)) return `${run.label} takes ${run.poeW} W: no power class of IEEE 802.3 carries that.`;
    const most = Math.max(...fast.map(({ port }) => port.poeW));
    return `${run.label} needs a port that supplies ${needW} W; the strongest free one supplies ${most} W.`;
  }
  const given = wattsGiven(wanting, seats, columnOf);
  const taken = new Set([...columnOf]);
  const open = seats.filter((seat, column) => !taken.has(column) && strong.includes(seat));
  if (open.length > 0) {
    const most = Math.max(...open.map(({ gear }) => (spareW.get(gear.id) ?? 0) - (given.get(gear.id) ?? 0)));
    return `${run.label} needs ${needW} W; the power budget has ${Math.max(0, Math.round(most * 10) / 10)} W left beside a free port.`;
  }
  return `${run.label} gives way: every port that would do has gone to a run that matters as much or more.`;
}
