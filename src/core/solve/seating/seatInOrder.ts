import { isOver, type SearchLimits } from '../limits';
import { leastApart } from './apart';
import { fewestUnseated, isBetter, judge, mostSpare, type Seating, type SeatingProblem } from './problem';
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
  let best = judge(problem, dealt(problem));
  let disorderBound = 0;
  let proven = false;
  for (const width of WIDTHS) {
    const { disorder, spare } = best;
    const swept = sweep(problem, apart, { unseated, disorder, spare, mostSpare: most, width }, limits);
    if (swept.seatOf) {
      const found = judge(problem, swept.seatOf);
      if (isBetter(found, best)) {
        best = found;
        onBetter?.(best);
      }
    }
    disorderBound = Math.max(disorderBound, Math.min(best.disorder, swept.letGo));
    if (swept.letGo === Number.POSITIVE_INFINITY) {
      proven = true;
      disorderBound = best.disorder;
    }
    if (proven || isOver(limits)) break;
  }
  return { ...best, disorderBound, spareBound: proven ? best.spare : most, proven };
}

/** The nearest seats to the shortest, without regard to order: as many as can be have one. */
function dealt({ reach, way }: SeatingProblem): Int32Array {
  const near = [...way.keys()].sort((a, b) => (way[a] as number) - (way[b] as number));
  const short = [...reach.keys()].sort((a, b) => (reach[a] as number) - (reach[b] as number));
  const seatOf = new Int32Array(reach.length).fill(-1);
  let seated = 0;
  for (const item of short) {
    const seat = near[seated];
    if (seat === undefined || (way[seat] as number) > (reach[item] as number) + 1e-9) continue;
    seatOf[item] = seat;
    seated += 1;
  }
  return seatOf;
}
