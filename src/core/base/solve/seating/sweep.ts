import { isOver, type SearchLimits } from '../limits';
import type { leastApart } from './apart';
import { breakPrice, PLAY, type SeatingProblem } from './problem';

/** Items a word of a set holds: two words make a number that is exact. */
const WORD = 26;

export type SweepGoal = {
  /** So many go without a seat. */
  unseated: number;
  /** Only what beats this is looked for. */
  disorder: number;
  spare: number;
  /** No seating can leave more over than this. */
  mostSpare: number;
  /** States kept at each seat; the others are let go, and their bound is remembered. */
  width: number;
};

export type Swept = {
  seatOf: Int32Array | null;
  disorder: number;
  spare: number;
  /** Least disorder that what was let go could still have come to; infinite when nothing was. */
  letGo: number;
};

/** What is kept of the states at one seat to walk back by. */
type Trail = { parents: Int32Array; items: Int32Array };

/**
 * From seat to seat, every set of items seated so far with the last of them: the least disorder that leads there, and
 * the most spare at that. A set is let go when it cannot beat the goal. Exact while nothing is let go for the width.
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: one recursion over states in arrays that must not be copied
export function sweep(
  problem: SeatingProblem,
  apart: ReturnType<typeof leastApart>,
  goal: SweepGoal,
  limits: SearchLimits,
): Swept {
  const { reach, roomOf, way, joined, roomBreak } = problem;
  const items = reach.length;
  const seats = way.length;
  const words = Math.max(1, Math.ceil(items / WORD));
  const toSeat = items - goal.unseated;
  const roomItems = Array.from({ length: items }, () => new Int32Array(words));
  roomOf.forEach((room, item) => {
    const set = roomItems[room];
    const word = Math.floor(item / WORD);
    set[word] = set[word] | (1 << (item % WORD));
  });
  // A block of a room is charged when it is left while others of the room still come, or, where some go without a
  // seat and may be those, when the next one is begun.
  const early = goal.unseated === 0;
  const ladder = [...new Set(reach)].sort((a, b) => a - b);
  const within = Array.from({ length: seats + 1 }, () => new Int32Array(ladder.length));
  for (let seat = seats - 1; seat >= 0; seat--)
    ladder.forEach((far, rung) => {
      within[seat][rung] = within[seat + 1][rung] + (way[seat] <= far + PLAY ? 1 : 0);
    });
  const rungOf = Int32Array.from(reach, (far) => ladder.indexOf(far));

  let sets = new Int32Array(words);
  let lasts = Int32Array.of(-1);
  let costs = Float64Array.of(0);
  let spares = Float64Array.of(Number.POSITIVE_INFINITY);
  let counts = Int32Array.of(0);
  const trails: Trail[] = [];
  let letGo = Number.POSITIVE_INFINITY;
  const lookups = Array.from({ length: items + 1 }, () => new Map<number | string, number>());
  const next = new Int32Array(words);
  const holds = (set: Int32Array, from: number, item: number) =>
    (set[from + Math.floor(item / WORD)] >> (item % WORD)) & 1;

  /** What the items without a seat so far must still pay, given the seats from this one on. */
  const still = (seat: number): number => {
    let sum = 0;
    let first = -1;
    for (let item = 0; item <= items; item++) {
      const waits = item < items && !holds(next, 0, item);
      if (waits && first < 0) first = item;
      if (!waits && first >= 0) {
        sum += apart(first, item - 1, seat);
        first = -1;
      }
    }
    return sum;
  };
  const unpaid = (set: Int32Array, from: number): number => {
    let sum = 0;
    for (let item = 1; item < items; item++)
      if (!holds(set, from, item) && !holds(set, from, item - 1)) sum += breakPrice(problem, item);
    return sum;
  };
  const fitsRest = (seat: number): boolean => {
    const waiting = new Int32Array(ladder.length);
    for (let item = 0; item < items; item++)
      if (!holds(next, 0, item)) waiting[rungOf[item]] = waiting[rungOf[item]] + 1;
    let sum = 0;
    for (let rung = 0; rung < ladder.length; rung++) {
      sum += waiting[rung];
      if (sum - goal.unseated > within[seat][rung]) return false;
    }
    return true;
  };

  for (let seat = 0; seat < seats; seat++) {
    const bestSets: number[] = [];
    const bestLasts: number[] = [];
    const bestCosts: number[] = [];
    const bestSpares: number[] = [];
    const bestCounts: number[] = [];
    const parents: number[] = [];
    const placed: number[] = [];
    const hopes: number[] = [];
    for (const lookup of lookups) lookup.clear();
    const nextJoined = seat + 1 < seats && joined[seat + 1] === 1;
    const offer = (from: number, item: number, cost: number, spare: number, count: number) => {
      if (cost > goal.disorder + PLAY || toSeat - count > seats - seat - 1) return;
      const last = nextJoined ? item : -1;
      // A chain that breaks off here, since the next seat is not joined, pays for it at once.
      let paid = cost;
      if (!nextJoined && item >= 0) paid += leaving(next, item);
      const hope = paid + still(seat + 1);
      if (hope > goal.disorder + PLAY) return;
      if (hope > goal.disorder - PLAY && Math.min(spare, goal.mostSpare) <= goal.spare + PLAY) return;
      const lookup = lookups[last + 1];
      const key = words <= 2 ? next[0] + (next[1] ?? 0) * 2 ** WORD : next.join();
      const known = lookup.get(key);
      if (known !== undefined) {
        const worse = paid > bestCosts[known] + PLAY || (paid > bestCosts[known] - PLAY && spare <= bestSpares[known]);
        if (worse) return;
        bestCosts[known] = paid;
        bestSpares[known] = spare;
        parents[known] = from;
        placed[known] = item;
        hopes[known] = hope;
        return;
      }
      if (!fitsRest(seat + 1)) return;
      lookup.set(key, bestLasts.length);
      for (const word of next) bestSets.push(word);
      bestLasts.push(last);
      bestCosts.push(paid);
      bestSpares.push(spare);
      bestCounts.push(count);
      parents.push(from);
      placed.push(item);
      hopes.push(hope);
    };
    /** Price of leaving a chain behind an item: its follower will not come next, and perhaps others of its room later. */
    const leaving = (set: Int32Array, item: number): number => {
      let price = 0;
      if (item + 1 < items && !holds(set, 0, item + 1)) price += breakPrice(problem, item + 1);
      return price + leavingRoom(set, item);
    };
    const leavingRoom = (set: Int32Array, item: number): number => {
      if (!early) return 0;
      const room = roomItems[roomOf[item]];
      for (let word = 0; word < words; word++) if (room[word] & ~set[word]) return roomBreak;
      return 0;
    };
    for (let state = 0; state < lasts.length; state++) {
      if (state % 512 === 511 && isOver(limits))
        return { seatOf: null, disorder: 0, spare: 0, letGo: Number.NEGATIVE_INFINITY };
      const from = state * words;
      const set = sets.subarray(from, from + words);
      const last = lasts[state];
      const cost = costs[state];
      const spare = spares[state];
      const count = counts[state];
      next.set(set);
      offer(state, -1, cost + (last >= 0 ? leaving(set, last) : 0), spare, count);
      if (count === toSeat) continue;
      for (let item = 0; item < items; item++) {
        const rest = reach[item] - way[seat];
        if (holds(set, 0, item) || rest < -PLAY) continue;
        let more = 0;
        const follows = last >= 0 && item === last + 1;
        if (!follows) {
          if (last >= 0 && last + 1 < items && !holds(set, 0, last + 1)) more += breakPrice(problem, last + 1);
          if (item > 0 && !holds(set, 0, item - 1)) more += breakPrice(problem, item);
        }
        const room = roomOf[item];
        const sameRoom = last >= 0 && roomOf[last] === room;
        if (!sameRoom) {
          if (last >= 0) more += leavingRoom(set, last);
          if (!early && roomItems[room].some((word, at) => word & set[at])) more += roomBreak;
        }
        next.set(set);
        const word = Math.floor(item / WORD);
        next[word] = next[word] | (1 << (item % WORD));
        offer(state, item, cost + more, Math.min(spare, rest), count + 1);
      }
    }
    let order: Int32Array | null = null;
    if (bestLasts.length > goal.width) {
      // Those that stand behind in seats taken have more to do: cost alone would favour them.
      const rank = Float64Array.from(hopes, (hope, at) => hope - 1e-3 * bestCounts[at]);
      order = Int32Array.from(bestLasts.keys()).sort((a, b) => rank[a] - rank[b]);
      for (const state of order.subarray(goal.width)) letGo = Math.min(letGo, hopes[state]);
      order = order.slice(0, goal.width);
    }
    const kept = order ?? Int32Array.from(bestLasts.keys());
    sets = new Int32Array(kept.length * words);
    kept.forEach((state, at) => {
      for (let word = 0; word < words; word++) sets[at * words + word] = bestSets[state * words + word];
    });
    const pick = (list: number[]) => Float64Array.from(kept, (state) => list[state]);
    const pickWhole = (list: number[]) => Int32Array.from(kept, (state) => list[state]);
    lasts = pickWhole(bestLasts);
    costs = pick(bestCosts);
    spares = pick(bestSpares);
    counts = pickWhole(bestCounts);
    trails.push({ parents: pickWhole(parents), items: pickWhole(placed) });
    if (kept.length === 0) return { seatOf: null, disorder: 0, spare: 0, letGo };
  }

  let best = -1;
  let disorder = Number.POSITIVE_INFINITY;
  let spare = Number.NEGATIVE_INFINITY;
  for (let state = 0; state < lasts.length; state++) {
    if (counts[state] !== toSeat) continue;
    const total = costs[state] + unpaid(sets, state * words);
    const rest = spares[state];
    if (total > disorder + PLAY || (total > disorder - PLAY && rest <= spare)) continue;
    best = state;
    disorder = total;
    spare = rest;
  }
  if (best < 0) return { seatOf: null, disorder: 0, spare: 0, letGo };
  const seatOf = new Int32Array(items).fill(-1);
  let state = best;
  for (let seat = seats - 1; seat >= 0; seat--) {
    const trail = trails[seat];
    const item = trail.items[state];
    if (item >= 0) seatOf[item] = seat;
    state = trail.parents[state];
  }
  return { seatOf, disorder, spare: toSeat === 0 ? 0 : spare, letGo };
}
