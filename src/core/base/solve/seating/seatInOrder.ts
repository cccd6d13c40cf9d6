import { isOver, type SearchLimits } from '../limits';
import { seededRandom } from '../random';
import { anneal } from './anneal';
import { leastApart } from './apart';
import {
  breakPrice,
  fewestUnseated,
  isBetter,
  judge,
  mostSpare,
  PLAY,
  type Seating,
  type SeatingProblem,
} from './problem';
import { sweep } from './sweep';

export type Seated = Seating & {
  /** No seating with so few unseated has less disorder. */
  disorderBound: number;
  /** No seating of that disorder leaves more over. */
  spareBound: number;
  proven: boolean;
};

/** Widths of the sweeps, one after the other until one of them lets nothing go. */
const WIDTHS = [100, 1000, 8000, 60_000, 200_000];
/** Moves of the annealing between two sweeps, and at a time after the last one. */
const MOVES = 100_000;
const MANY_MOVES = 300_000;
/** Share of the time that one sweep may take. */
const SWEEP_SHARE = 0.35;
/** Above so many cells the table of what lack of reach costs takes more memory than it is worth. */
const LARGE_CELLS = 6_000_000;

/**
 * Seats for items in their order: fewest without a seat, then least disorder, then the largest smallest rest of reach.
 * Sweeps of growing width; the first one that lets nothing go is a proof.
 */
export function seatInOrder(
  problem: SeatingProblem,
  limits: SearchLimits,
  onBetter?: (found: Seating) => void,
): Seated {
  const unseated = fewestUnseated(problem);
  const most = mostSpare(problem, unseated);
  const cells = problem.reach.length ** 2 * problem.way.length;
  const apart = cells > LARGE_CELLS ? () => 0 : leastApart(problem);
  let best: Seating = judge(problem, dealt(problem));
  const inOrder = dealInOrder(problem);
  if (isBetter(inOrder, best)) best = judge(problem, inOrder.seatOf);
  const random = seededRandom(limits.seed ?? 1);
  let disorderBound = 0;
  let proven = false;
  const better = (found: Seating) => {
    if (!isBetter(found, best)) return;
    best = found;
    onBetter?.(best);
  };
  const meetsBounds = () =>
    best.unseated === unseated && best.disorder <= disorderBound + PLAY && best.spare >= most - PLAY;
  const started = limits.now();
  const annealed = (moves: number) =>
    better(anneal(problem, best.seatOf, { random, moves, isOver: () => isOver(limits) }));
  for (const width of WIDTHS) {
    const { disorder, spare } = best;
    const untilMs = Math.min(limits.untilMs, limits.now() + SWEEP_SHARE * (limits.untilMs - started));
    const goal = { unseated, disorder, spare, mostSpare: most, width };
    const swept = sweep(problem, apart, goal, { ...limits, untilMs });
    if (swept.seatOf) better(judge(problem, swept.seatOf));
    disorderBound = Math.max(disorderBound, Math.min(best.disorder, swept.letGo));
    if (swept.letGo === Number.POSITIVE_INFINITY) disorderBound = best.disorder;
    proven = swept.letGo === Number.POSITIVE_INFINITY || meetsBounds();
    if (proven || isOver(limits)) break;
    // What was broken off would be so again, or wider: the rest of the time goes into annealing.
    if (swept.letGo === Number.NEGATIVE_INFINITY) while (!isOver(limits) && !meetsBounds()) annealed(MANY_MOVES);
    else annealed(MOVES);
    proven = meetsBounds();
    if (proven) break;
  }
  return { ...best, disorderBound, spareBound: proven ? best.spare : most, proven };
}

/**
 * Seats dealt one after the other: those that do not reach everywhere first, as near as they need, then the rest in
 * order over what is left. Proven where everybody reaches everywhere and nothing is out of order.
 */
export function dealInOrder(problem: SeatingProblem): Seated {
  const { reach, way } = problem;
  const far = way.reduce((most, one) => Math.max(most, one), 0);
  const seatOf = new Int32Array(reach.length).fill(-1);
  const taken = new Uint8Array(way.length);
  const short = [...reach.keys()].filter((item) => reach[item] < far);
  for (const item of short.sort((a, b) => reach[a] - reach[b])) {
    const seat = way.findIndex((one, at) => !taken[at] && one <= reach[item]);
    if (seat < 0) continue;
    seatOf[item] = seat;
    taken[seat] = 1;
  }
  let seat = 0;
  for (let item = 0; item < reach.length; item++) {
    if (reach[item] < far) continue;
    while (seat < way.length && taken[seat]) seat += 1;
    if (seat === way.length) break;
    seatOf[item] = seat;
    taken[seat] = 1;
  }
  const found = judge(problem, seatOf);
  const other = judge(problem, dealt(problem));
  const best = other.unseated < found.unseated ? other : found;
  const proven =
    short.length === 0 &&
    best.unseated === fewestUnseated(problem) &&
    best.disorder <= stretchesNeeded(problem, reach.length - best.unseated) * cheapestBreak(problem) + 1e-9;
  return { ...best, disorderBound: proven ? best.disorder : 0, spareBound: best.spare, proven };
}

/** How often the line of seats must be left for another stretch at least, for so many to sit. */
function stretchesNeeded({ joined }: SeatingProblem, count: number): number {
  const lengths: number[] = [];
  joined.forEach((one, seat) => {
    if (seat > 0 && one) lengths[lengths.length - 1] = (lengths.at(-1) ?? 0) + 1;
    else lengths.push(1);
  });
  let left = count;
  let stretches = 0;
  for (const length of lengths.sort((a, b) => b - a)) {
    if (left <= 0) break;
    left -= length;
    stretches += 1;
  }
  return Math.max(0, stretches - 1);
}

const cheapestBreak = (problem: SeatingProblem): number =>
  Array.from({ length: Math.max(0, problem.reach.length - 1) }, (_, at) => breakPrice(problem, at + 1)).reduce(
    (least, price) => Math.min(least, price),
    Number.POSITIVE_INFINITY,
  );

/** The nearest seats to the shortest, without regard to order: as many as can be have one. */
function dealt({ reach, way }: SeatingProblem): Int32Array {
  const near = [...way.keys()].sort((a, b) => way[a] - way[b]);
  const short = [...reach.keys()].sort((a, b) => reach[a] - reach[b]);
  const seatOf = new Int32Array(reach.length).fill(-1);
  let seated = 0;
  for (const item of short) {
    const seat = near[seated];
    if (seat === undefined || way[seat] > reach[item] + 1e-9) continue;
    seatOf[item] = seat;
    seated += 1;
  }
  return seatOf;
}
