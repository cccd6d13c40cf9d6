import { breakPrice, PLAY, type SeatingProblem } from './problem';

/**
 * Least that must be paid within each stretch of items for breaks in their order, when only seats from a given one on
 * are left and nobody else sits anywhere: what a stretch costs for lack of reach alone.
 * @returns a look-up by first item, last item and first seat left
 */
export function leastApart(problem: SeatingProblem): (first: number, last: number, seat: number) => number {
  const { reach, way, joined } = problem;
  const items = reach.length;
  const seats = way.length;
  const table = new Float64Array(items * items * (seats + 1));
  const at = (first: number, last: number, seat: number) => (first * items + last) * (seats + 1) + seat;
  // Last seat at which a whole stretch can begin, -1 for none.
  const latest = new Int32Array(items * items).fill(-1);
  for (let first = 0; first < items; first++) {
    for (let seat = 0; seat < seats; seat++) {
      for (let last = first; last < items; last++) {
        const here = seat + last - first;
        if (here >= seats || (last > first && !joined[here])) break;
        if (way[here] > reach[last] + PLAY) break;
        latest[first * items + last] = seat;
      }
    }
  }
  for (let length = 1; length <= items; length++) {
    for (let first = 0; first + length <= items; first++) {
      const last = first + length - 1;
      for (let seat = 0; seat <= seats; seat++) {
        if (latest[first * items + last] >= seat) continue;
        // One alone that finds no seat is judged elsewhere.
        let least = length === 1 ? 0 : Number.POSITIVE_INFINITY;
        for (let split = first + 1; split <= last; split++) {
          const price = table[at(first, split - 1, seat)] + breakPrice(problem, split) + table[at(split, last, seat)];
          if (price < least) least = price;
        }
        table[at(first, last, seat)] = least;
      }
    }
  }
  return (first, last, seat) => table[at(first, last, seat)];
}
