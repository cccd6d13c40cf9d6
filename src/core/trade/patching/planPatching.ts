import { assignWithin } from '../../base/solve/budgeted/assignWithin';
import { type SearchLimits, stepLimits } from '../../base/solve/limits';
import { formatSpeed } from '../../base/text/speed';
import { type PatchCord, patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import type { Cord } from '../../job/records/cord';
import type { Run } from '../../job/records/run';
import { cordLengthMm } from './cords/cordLength';
import type { KeptPort } from './keptPorts';
import { isAccessPoint, type PatchTask, patchTask, type Seat } from './patchProblem';
import { type PatchMoves, type PatchWish, patchWishOf } from './patchWish';
import { shortWords } from './shortWords';
import { slowerSeats } from './slowerSeats';
import { type Lack, whatLetsIn, whyHere, whyLeftOut } from './whyPatched';

/** A cord to be plugged: `lengthMm` null and `colour` empty for one to be taken from stock. */
export type PlannedCord = Omit<PatchCord, 'id'>;

export type PlannedLink = Pick<Cord, 'id' | 'fromId' | 'fromPort' | 'toId' | 'toPort'>;

export type PatchPlan = {
  /** New cords, and those that change their switch port. */
  cords: PlannedCord[];
  /** Cords of runs that give way to others. */
  unplugged: string[];
  /** For each run that got a port, by its id, why this one. */
  why: Record<string, string>;
  /** What is short and the smallest change that would do, the first thing to be said; null: nothing is. */
  short: string | null;
  /** Ports kept back, each with what it is for. */
  kept: { words: string; kind: KeptPort['kind']; gearId: string; port: number }[];
  /** Links to plug in with it: a way from every switch to the gateway. */
  links: PlannedLink[];
  /** Links and gear in the rack that find no port, in words. */
  unkept: { kind: KeptPort['kind']; words: string }[];
  /** The way to the gateway has no port: what is patched reaches no internet. */
  cutOff: boolean;
  /** Runs left out, each with its reason in a sentence that begins with its label, and what would let it in. */
  left: { runId: string; why: string; letsIn: string[] }[];
  /** Cords that lie already and change their place. */
  moved: { runId: string; from: string; to: string }[];
  /** Runs with a port, and the length of all cords, once this is done. */
  patched: number;
  cordMm: number;
  points: number;
  bound: number;
  /** True when no other choice has fewer points. */
  proven: boolean;
};

/** Enough looks at the clock for a cabinet of a hundred runs. */
const STEPS = 4000;

/**
 * Switch ports for runs: power per port and per switch, speed, networks and kinds of port are kept, and everything
 * else is weighed in points. Cords fixed by hand stay; the others as the wish has it.
 */
export function planPatching(
  job: Job,
  once: Partial<PatchWish> = {},
  limits: SearchLimits = stepLimits(STEPS),
  onBetter?: (points: number, patched: number) => void,
): PatchPlan {
  const wish = patchWishOf(job, once);
  const task = patchTask(job, wish);
  const { wanting, problem } = task;
  const found = assignWithin(problem, limits, (columnOf, cost) =>
    onBetter?.(
      cost,
      columnOf.reduce((sum, column, row) => sum + (column < 0 || row >= wanting.length ? 0 : 1), 0),
    ),
  );
  const columnOf = found.columnOf ?? new Int32Array(problem.rows).fill(-1);
  return describe(job, wish, task, columnOf, found);
}

function describe(
  job: Job,
  wish: PatchWish,
  task: PatchTask,
  columnOf: Int32Array,
  { cost, bound, proven }: { cost: number; bound: number; proven: boolean },
): PatchPlan {
  const { wanting, kept, links, seats, outside } = task;
  const lacks: { lack: Lack; run: Run }[] = [];
  const plan: PatchPlan = {
    cords: [],
    unplugged: [],
    why: {},
    short: null,
    kept: [],
    links: [],
    unkept: [],
    cutOff: false,
    left: outside.map(({ run, why }) => ({ runId: run.id, why, letsIn: [] })),
    moved: [],
    patched: 0,
    cordMm: 0,
    points: cost,
    bound,
    proven,
  };
  const planned = new Set(wanting.flatMap(({ cord }) => (cord ? [cord.id] : [])));
  for (const cord of Object.values(patchCordsOf(job))) {
    if (planned.has(cord.id)) continue;
    plan.patched += 1;
    plan.cordMm += cordLengthMm(job, cord) ?? 0;
  }
  const slower = slowerSeats(job, task, columnOf);
  wanting.forEach((one, row) => {
    const instead = slower.get(row);
    const seat = seats[columnOf[row] as number] ?? (wish.slower ? instead : undefined);
    const { run, landing, cord } = one;
    if (!seat) {
      if (cord) plan.unplugged.push(cord.id);
      const { lack, words } = whyLeftOut(task, columnOf, row);
      lacks.push({ lack, run });
      const weighty = run.critical ? 'critical' : isAccessPoint(run) ? 'an access point' : null;
      plan.left.push({
        runId: run.id,
        why: weighty === null ? words : `${words} It is ${weighty}.`,
        letsIn: [
          ...(instead ? [`patching it at ${formatSpeed(instead.port.speedMbps ?? 0)}, slower than it wants`] : []),
          ...whatLetsIn(task, columnOf, row),
        ],
      });
      return;
    }
    const ends = {
      panelId: landing.panelId,
      panelPort: landing.port,
      switchId: seat.gear.id,
      switchPort: seat.port.number,
    };
    const stays = cord?.switchId === seat.gear.id && cord.switchPort === seat.port.number;
    plan.patched += 1;
    plan.cordMm += cordLengthMm(job, stays ? cord : ends) ?? 0;
    plan.why[run.id] =
      seat === instead
        ? `slower than it wants, at ${formatSpeed(seat.port.speedMbps ?? 0)}: no faster port is free`
        : whyHere(job, wish, one, seat);
    if (stays) return;
    plan.cords.push({ ...ends, fixed: false, lengthMm: null, colour: '' });
    if (cord)
      plan.moved.push({
        runId: run.id,
        from: `${job.gear[cord.switchId]?.name} ${cord.switchPort}`,
        to: `${seat.gear.name} ${seat.port.number}`,
      });
  });
  const seatsOf = new Map<string, Seat[]>();
  kept.forEach(({ link, words, kind }, at) => {
    const seat = seats[columnOf[wanting.length + at] as number];
    if (!seat) return;
    seatsOf.set(link, [...(seatsOf.get(link) ?? []), seat]);
    plan.kept.push({ words, kind, gearId: seat.gear.id, port: seat.port.number });
  });
  for (const { link, words, kind, far } of links) {
    const wanted = kept.filter((one) => one.link === link).length;
    const [from, to] = seatsOf.get(link) ?? [];
    const end = far ?? (to ? { gearId: to.gear.id, port: to.port.number } : null);
    const found = from !== undefined && end !== null && (seatsOf.get(link)?.length ?? 0) === wanted;
    if (!found) plan.unkept.push({ kind, words });
    else if (kind !== 'gear')
      plan.links.push({
        id: link,
        fromId: from.gear.id,
        fromPort: from.port.number,
        toId: end.gearId,
        toPort: end.port,
      });
  }
  plan.cutOff = plan.unkept.some(({ kind }) => kind !== 'gear');
  // A plan that leaves the job without its gateway is not called the best there is.
  plan.proven = plan.proven && !plan.cutOff;
  plan.short = shortWords(job, task, plan, lacks);
  return plan;
}

/** Plans for a job that has a map already, from no cord moved to all of them free to move. */
export function patchAlternatives(
  job: Job,
  once: Partial<PatchWish>,
  limits: () => SearchLimits,
): { moves: PatchMoves; plan: PatchPlan }[] {
  // Without a cord that may move, all ways are the same.
  const moves = Object.values(patchCordsOf(job)).some(({ fixed }) => !fixed)
    ? (['none', 'few', 'free'] as const)
    : (['none'] as const);
  return moves.map((moves) => ({
    moves,
    plan: planPatching(job, { ...once, moves }, limits()),
  }));
}
