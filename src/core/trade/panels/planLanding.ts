import { type SearchLimits, stepLimits } from '../../base/solve/limits';
import type { SeatingProblem } from '../../base/solve/seating/problem';
import { dealInOrder, seatInOrder } from '../../base/solve/seating/seatInOrder';
import { relandMinutes } from '../../base/standards/landing';
import { rackDimensions } from '../../base/standards/rackDimensions';
import { naturalOrder } from '../../base/text/naturalOrder';
import { formatSize } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { indexJob, type JobIndex } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { canLand, type Port, portsOf } from '../../job/records/ports';
import { isNow, type Run } from '../../job/records/run';
import { type EntrySide, loopMm, tailPaths } from '../runs/tailPath';
import { tailOf } from '../runs/tailReach';
import { goesOutdoors } from './goesOutdoors';
import { type LandWish, landWishOf } from './landWish';
import { panelsInOrder } from './panelsInOrder';

export type PanelPort = { panelId: string; port: number };
/** How a run could be landed after all; with a joint it can be done at once. */
export type WayOut = { words: string; landing?: PanelPort & { joint: 'coupler' | 'joint'; jointMm: number } };
export type LandingPlan = {
  /** Runs that get a port, and those that change theirs. */
  landings: (PanelPort & { runId: string })[];
  left: { runId: string; why: string; missingMm: number | null; waysOut: WayOut[] }[];
  /** Runs that are landed already and move. */
  moved: { runId: string; from: PanelPort; to: PanelPort; minutes: number }[];
  /** Breaks of the order and of rooms, weighed; 0 is perfect order. */
  disorder: number;
  /** Least that a measured tail keeps beyond its port and loop; null when none was measured. */
  spareMm: number | null;
  proven: boolean;
};

/** What a break costs: a room torn apart is worst, a jump within a room next. Common practice, no source. */
const BREAKS = { roomBreak: 5, orderBreakInRoom: 3, orderBreakBetweenRooms: 1 } as const;
/** A step is some hundred sets of runs: this is about a second. */
const STEPS = 80;
/** More tails than this at once are dealt, the short ones first, and not proven. */
const MOST_SEARCHED = 60;

type Seat = { panel: Gear; port: Port };
type Item = { run: Run; room: string } | { run: null; room: string };

/**
 * Ports for runs. What is not copper, telephone and, where wished, outdoor runs keep apart; the others follow one
 * another in the order of the wish. Short tails go where they reach; of all choices that land as many, the one with
 * the least disorder and then the largest smallest rest of tail.
 */
export function planLanding(
  job: Job,
  once: Partial<LandWish> = {},
  limits: SearchLimits = stepLimits(STEPS),
): LandingPlan {
  const index = indexJob(job);
  const wish = landWishOf(job, once);
  const plan: LandingPlan = { landings: [], left: [], moved: [], disorder: 0, spareMm: null, proven: true };
  const runs = index.runsInOrder.filter(
    (run) => isNow(run) && (wish.anew || !index.landingOfRun.has(run.id)) && (!wish.only || wish.only.has(run.id)),
  );
  const moving = new Set(runs.map((run) => run.id));
  const taken = new Set(
    Object.values(job.landings).flatMap((row) => (moving.has(row.runId) ? [] : [portKey(row.panelId, row.port)])),
  );
  let free: Seat[] = panelsInOrder(job).flatMap((panel) =>
    portsOf(panel)
      .filter((port) => !taken.has(portKey(panel.id, port.number)))
      .map((port) => ({ panel, port })),
  );
  let waiting = runs.length;
  for (const lot of lotsOf(job, runs, wish)) {
    const first = lot.runs[0];
    if (!first) continue;
    waiting -= lot.runs.length;
    const fits = free.filter(({ port }) => canLand(port, first.carries));
    const seats = lot.apart ? onOwnPanels(fits, lot.runs, free.length - waiting) : fits;
    const used = landLot(index, wish, lot.runs, seats, fits, limits, plan);
    free = free.filter((seat) => !used.has(seat));
  }
  return plan;
}

/** Runs that are landed together, in the order in which lots choose: those that few ports take first. */
function lotsOf(job: Job, runs: Run[], wish: LandWish): { runs: Run[]; apart: boolean }[] {
  const lots = new Map<string, { runs: Run[]; apart: boolean; rank: number }>();
  for (const run of runs) {
    const outdoor = wish.apart && run.carries === 'ethernet' && goesOutdoors(job, run);
    const kind = run.carries === 'ethernet' ? (outdoor ? 'outdoor' : 'copper') : run.carries;
    // Tails that come in from another side go another way.
    const key = run.tailMm === null ? kind : `${kind} ${run.entry ?? 'top'}`;
    const rank = kind === 'copper' ? 1 : kind === 'outdoor' ? 2 : 0;
    const lot = lots.get(key) ?? { runs: [], apart: kind !== 'copper', rank };
    lot.runs.push(run);
    lots.set(key, lot);
  }
  // Measured tails choose before the others, since they may be short.
  return [...lots.values()].sort(
    (a, b) => a.rank - b.rank || Number(a.runs[0]?.tailMm === null) - Number(b.runs[0]?.tailMm === null),
  );
}

/**
 * Seats for a lot of its own: whole panels made for it, else the last ones, so that the others begin at the first.
 * @param rest seats that those who choose later can do without; on a panel that they will share, the lot stands last
 */
function onOwnPanels(seats: Seat[], runs: Run[], rest: number): Seat[] {
  const count = runs.length;
  const own = seats.filter(
    ({ port }) => port.carries !== null || (port.connector !== 'rj45' && port.connector !== 'keystone'),
  );
  if (own.length >= count) return own;
  const panels = [...new Set(seats.map(({ panel }) => panel))];
  for (const panel of panels.toReversed()) {
    const here = seats.filter((seat) => seat.panel === panel);
    const shared = here.length > rest && runs.every((run) => run.tailMm === null);
    if (panels.length > 1 && here.length >= count) return shared ? here.slice(-count) : here;
  }
  return seats.slice(-Math.max(count, 1));
}

function landLot(
  index: JobIndex,
  wish: LandWish,
  runs: Run[],
  seats: Seat[],
  anySeats: Seat[],
  limits: SearchLimits,
  plan: LandingPlan,
): Set<Seat> {
  const used = new Set<Seat>();
  const give = (run: Run, seat: Seat) => {
    used.add(seat);
    const to = { panelId: seat.panel.id, port: seat.port.number };
    const was = index.landingOfRun.get(run.id);
    if (was?.panelId === to.panelId && was.port === to.port) return;
    plan.landings.push({ runId: run.id, ...to });
    if (was) {
      const from = { panelId: was.panelId, port: was.port };
      plan.moved.push({ runId: run.id, from, to, minutes: minutesToMove(index.job, from) });
    }
  };
  let waiting = inOrder(runs, wish);
  const entry: EntrySide = runs[0]?.entry ?? 'top';
  const wayOf = waysFor(index, entry);
  const loop = loopMm(index.job);
  const reachOf = (run: Run) => {
    const tail = tailOf(index.job, run);
    return tail === null ? Number.POSITIVE_INFINITY : tail - loop;
  };
  if (wish.order === 'plate') {
    waiting = waiting.filter((run) => {
      const seat = sameNumber(run, seats, used);
      if (!seat || (wayOf(seat) ?? 0) > reachOf(run)) return true;
      give(run, seat);
      return false;
    });
  }
  const open = seats.filter((seat) => !used.has(seat));
  const items = withSpares(waiting, wish, open.length);
  // A seat without a known way is reached by everybody; nobody can say otherwise.
  const ways = open.map((seat) => wayOf(seat) ?? 0);
  const far = Math.max(0, ...ways);
  const rooms = [...new Set(items.map((item) => item.room))];
  const problem: SeatingProblem = {
    ...BREAKS,
    reach: Float64Array.from(items, (item) =>
      item.run ? Math.min(reachOf(item.run), far + 1_000_000) : far + 1_000_000,
    ),
    roomOf: Int32Array.from(items, (item) => rooms.indexOf(item.room)),
    way: Float64Array.from(ways),
    joined: Uint8Array.from(open, (seat, at) => {
      const before = open[at - 1];
      return before?.panel === seat.panel && before.port.number + 1 === seat.port.number ? 1 : 0;
    }),
  };
  const short = [...problem.reach].some((reach) => reach < far);
  const seated = short && items.length <= MOST_SEARCHED ? seatInOrder(problem, limits) : dealInOrder(problem);
  plan.disorder += seated.disorder;
  plan.proven &&= seated.proven;
  items.forEach((item, at) => {
    if (!item.run) return;
    const seat = open[seated.seatOf[at] as number];
    if (seat) {
      give(item.run, seat);
      const rest = reachOf(item.run) - (wayOf(seat) ?? 0);
      if (Number.isFinite(rest)) plan.spareMm = Math.min(plan.spareMm ?? Number.POSITIVE_INFINITY, rest);
    } else plan.left.push(leftOut(index, item.run, seats.length > used.size ? open : anySeats, used, wayOf, reachOf));
  });
  return used;
}

/** Runs in the order of the wish; equal ones by label. */
function inOrder(runs: Run[], { order }: LandWish): Run[] {
  const key = (run: Run): string[] =>
    order === 'room' ? [run.floor, run.room] : order === 'bundle' ? [run.bundle] : [];
  return [...runs].sort((a, b) => {
    const [one, other] = [key(a), key(b)];
    for (let at = 0; at < one.length; at++) {
      const by = naturalOrder(one[at] ?? '', other[at] ?? '');
      if (by !== 0) return by;
    }
    return naturalOrder(a.label, b.label);
  });
}

/** Runs with empty places behind each room, as many as there is room for. */
function withSpares(runs: Run[], { spares, order }: LandWish, seats: number): Item[] {
  const rooms: Run[][] = [];
  for (const run of runs) {
    const last = rooms.at(-1);
    if (last?.[0] && last[0].floor === run.floor && last[0].room === run.room) last.push(run);
    else rooms.push([run]);
  }
  const each = Math.max(0, Math.min(spares, Math.floor((seats - runs.length) / Math.max(1, rooms.length))));
  return rooms.flatMap((members): Item[] => {
    // What must stay together is what the order goes by; in order of labels that is the order alone.
    const [first] = members;
    const room = order === 'room' ? `${first?.floor} ${first?.room}` : order === 'bundle' ? (first?.bundle ?? '') : '';
    return [...members.map((run) => ({ run, room })), ...Array.from({ length: each }, () => ({ run: null, room }))];
  });
}

/** The port that has the number of a run's plate, counted on through the panels. */
function sameNumber(run: Run, seats: Seat[], used: Set<Seat>): Seat | null {
  const digits = /(\d+)\D*$/.exec(run.outlet)?.[1] ?? /(\d+)\D*$/.exec(run.label)?.[1];
  if (digits === undefined) return null;
  const wanted = Number(digits);
  let before = 0;
  for (const panel of new Set(seats.map((seat) => seat.panel))) {
    const seat = seats.find((one) => one.panel === panel && before + one.port.number === wanted);
    if (seat) return used.has(seat) ? null : seat;
    before += portsOf(panel).length;
  }
  return null;
}

function waysFor(index: JobIndex, entry: EntrySide) {
  const known = new Map<string, Map<number, number> | null>();
  return ({ panel, port }: Seat): number | null => {
    if (!known.has(panel.id)) known.set(panel.id, tailPaths(index, panel, entry));
    return known.get(panel.id)?.get(port.number) ?? null;
  };
}

/** Minutes to end a run anew that is landed here. */
export function minutesToMove(job: Job, { panelId, port }: PanelPort): number {
  const panel = job.gear[panelId];
  const opening = panel && portsOf(panel)[port - 1];
  if (!opening) return 0;
  return opening.connector === 'keystone' ? relandMinutes.keystone : relandMinutes[opening.fitting];
}

/** Units of the rack between a panel and the top, or the bottom. */
function unitsLeft({ job, placementOfGear }: JobIndex, panel: Gear, towards: 'up' | 'down'): number {
  const placement = placementOfGear.get(panel.id);
  const rack = placement && job.racks[placement.rackId];
  if (!placement || !rack) return 0;
  return towards === 'down' ? placement.bottomU - 1 : rack.units - (placement.bottomU + panel.heightU - 1);
}

function leftOut(
  index: JobIndex,
  run: Run,
  seats: Seat[],
  used: Set<Seat>,
  wayOf: (seat: Seat) => number | null,
  reachOf: (run: Run) => number,
): LandingPlan['left'][number] {
  const { job } = index;
  const free = seats.filter((seat) => !used.has(seat));
  const none = { runId: run.id, missingMm: null, waysOut: [] };
  if (seats.length === 0)
    return panelsInOrder(job).length > 0
      ? { ...none, why: `${run.label} carries ${run.carries}, and no free panel port takes that.` }
      : { ...none, why: `${run.label} finds no free panel port.` };
  if (free.length === 0) return { ...none, why: `${run.label} finds no free panel port.` };
  const nearest = free.reduce((best, seat) => ((wayOf(seat) ?? 0) < (wayOf(best) ?? 0) ? seat : best), free[0] as Seat);
  const missingMm = Math.ceil((wayOf(nearest) ?? 0) - reachOf(run));
  if (!(missingMm > 0)) return { ...none, why: `${run.label} finds no free panel port.` };
  const missing = formatSize(missingMm, job.units);
  const longer = (joint: 'coupler' | 'joint') => ({
    panelId: nearest.panel.id,
    port: nearest.port.number,
    joint,
    jointMm: missingMm,
  });
  const units = Math.ceil(missingMm / rackDimensions.unitMm);
  const towards = run.entry === 'bottom' ? 'down' : run.entry === null || run.entry === 'top' ? 'up' : null;
  return {
    runId: run.id,
    why: `${run.label} reaches no free port: ${missing} is missing to the nearest, ${nearest.panel.name} port ${nearest.port.number}.`,
    missingMm,
    waysOut: [
      // Above the top of the rack and below its bottom there is nothing to move to; sideways it does not help.
      ...(towards && unitsLeft(index, nearest.panel, towards) >= units
        ? [{ words: `move ${nearest.panel.name} ${units} ${units === 1 ? 'unit' : 'units'} ${towards}` }]
        : []),
      { words: 'end it on a coupler and go on with a cord to the panel', landing: longer('coupler') },
      { words: `make it longer by ${missing} with a joint, which goes on the list of snags`, landing: longer('joint') },
    ],
  };
}
