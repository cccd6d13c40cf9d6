import { components } from '../components';
import { isOver, type SearchLimits } from '../limits';
import { partBounds } from './bounds';
import {
  addThing,
  bitsOf,
  countedServices,
  hasThing,
  isUp,
  LEAVES,
  noThings,
  type SequencingProblem,
  type Standing,
  type Step,
  type Things,
} from './problem';
import { type StateSpace, stateSpace, stepOf } from './space';
import { StateTable } from './stateTable';

export type Sequence = {
  /** Null: none was found. */
  steps: Step[] | null;
  cost: number | null;
  /** No order costs less. Infinite: there is none. */
  bound: number;
  proven: boolean;
};

const NARROW = 60;
const WIDER = [1_000, 4_000, 12_000, 60_000];
/** Of the time that there is, for the search that proves. */
const EXACT_SHARE = 0.4;
const MOST_ROWS = 2_500_000;
const EPSILON = 1e-9;
/** One look at the clock in so many states. */
const LOOK = 256;

type Found = { cost: number; codes: number[] };

/**
 * The order of steps that costs least: a narrow beam for a first one, then the states by what they come to at least, best first,
 * until nothing cheaper is left. What time or room cuts short is looked for with a beam of 60,000 states, and said to be
 * unproven with the least of what was left open.
 */
export function sequence(problem: SequencingProblem, limits: SearchLimits): Sequence {
  const groups = canPart(problem) ? components(problem.things.length, linksOf(problem)) : [];
  if (groups.length <= 1) return sequenceWhole(problem, limits);
  // What has no place, no need and no service in common is brought into order apart: one after the other costs no more.
  const made: Sequence[] = [];
  for (const [at, group] of groups.entries()) {
    const now = limits.now();
    const own = { ...limits, untilMs: now + (limits.untilMs - now) / (groups.length - at) };
    const { steps, ...rest } = sequenceWhole(partOf(problem, group), own);
    const back = steps?.map((step) => ({ ...step, thing: group[step.thing] ?? 0 })) ?? null;
    made.push({ ...rest, steps: back });
    if (steps === null && rest.proven)
      return { steps: null, cost: null, bound: Number.POSITIVE_INFINITY, proven: true };
  }
  const all = made.every(({ steps }) => steps !== null);
  return {
    steps: all ? made.flatMap(({ steps }) => steps ?? []) : null,
    cost: all ? made.reduce((sum, { cost }) => sum + (cost ?? 0), 0) : null,
    bound: made.reduce((sum, { bound }) => sum + bound, 0),
    proven: made.every(({ proven }) => proven),
  };
}

/** Whether the problem may be parted: not where ways count, nor where a service ends dark, for then it is so while others are done. */
function canPart(problem: SequencingProblem): boolean {
  const standing = noThings();
  problem.things.forEach(({ kind }, at) => {
    if (kind !== LEAVES) addThing(standing, at);
  });
  return (
    problem.walkPoints === 0 && countedServices(problem).every(({ ways }) => isUp(ways, 0, 0, standing.lo, standing.hi))
  );
}

/** Things that have to do with each other. */
function* linksOf(problem: SequencingProblem): Generator<[number, number]> {
  const { things } = problem;
  for (const [at, { oldInWay, newInWay, takeClear, takeNeeds, putNeeds }] of things.entries())
    for (let other = 0; other < things.length; other++)
      if ([oldInWay, newInWay, takeClear, takeNeeds, putNeeds].some((set) => hasThing(set, other))) yield [at, other];
  for (const { ways } of countedServices(problem)) {
    const wanted = things.flatMap((_, at) =>
      ways.some((way) => [way.old, way.new, way.either].some((set) => hasThing(set, at))) ? [at] : [],
    );
    for (const at of wanted.slice(1)) yield [wanted[0] ?? at, at];
  }
}

/** The problem of some of its things alone. */
function partOf(problem: SequencingProblem, group: readonly number[]): SequencingProblem {
  const only = (set: Things): Things => {
    const made = noThings();
    group.forEach((at, slot) => {
      if (hasThing(set, at)) addThing(made, slot);
    });
    return made;
  };
  const knows = (set: Things) => group.some((at) => hasThing(set, at));
  return {
    ...problem,
    things: group.flatMap((at) => {
      const thing = problem.things[at];
      if (!thing) return [];
      const { oldInWay, newInWay, takeClear, takeNeeds, putNeeds } = thing;
      return {
        ...thing,
        oldInWay: only(oldInWay),
        newInWay: only(newInWay),
        takeClear: only(takeClear),
        takeNeeds: only(takeNeeds),
        putNeeds: only(putNeeds),
      };
    }),
    services: countedServices(problem).flatMap(({ weight, ways, counts }) =>
      ways.some((way) => knows(way.old) || knows(way.new) || knows(way.either))
        ? {
            weight,
            counts: counts === true,
            ways: ways.map((way) => ({ old: only(way.old), new: only(way.new), either: only(way.either) })),
          }
        : [],
    ),
  };
}

function sequenceWhole(problem: SequencingProblem, limits: SearchLimits): Sequence {
  const space = stateSpace(problem);
  const bounds = partBounds(problem);
  const left = (state: Standing) => bounds.left(state);
  const root = left(space.first);
  if (!Number.isFinite(root)) return { steps: null, cost: null, bound: Number.POSITIVE_INFINITY, proven: true };
  let best = beam(space, left, NARROW, null, limits);
  const now = limits.now();
  const exact = bestFirst(space, left, best, { ...limits, untilMs: now + (limits.untilMs - now) * EXACT_SHARE });
  best = exact.best;
  if (!exact.proven && !isOver(limits)) {
    // A beam that is cut off finds nothing: from narrow to wide.
    for (const width of WIDER) {
      best = beam(space, left, width, best, limits);
      if (best) best = polish(space, left, best, limits);
    }
  }
  const bound = exact.proven
    ? (best?.cost ?? Number.POSITIVE_INFINITY)
    : Math.min(exact.bound, best?.cost ?? Number.POSITIVE_INFINITY);
  return {
    steps: best?.codes.map(stepOf) ?? null,
    cost: best?.cost ?? null,
    bound,
    proven: exact.proven || (best !== null && bound >= best.cost - EPSILON),
  };
}

/** Lengths of the pieces of an order that are sought anew, and states that one search may look at. */
const WINDOWS = [8, 11, 14, 18];
const MOST_BRIDGED = 30_000;

/** An order made better piece by piece: from what stands before a piece to what stands after it, at the least cost. */
function polish(space: StateSpace, left: (state: Standing) => number, given: Found, limits: SearchLimits): Found {
  let { codes } = given;
  const statesOf = (list: readonly number[]): Standing[] => {
    const states = [space.first];
    for (const code of list) states.push(space.after(states.at(-1) as Standing, Math.floor(code / 5), code % 5));
    return states;
  };
  const costOf = (states: readonly Standing[], from: number, until: number): number => {
    let cost = 0;
    for (let at = from; at < until; at++)
      cost += space.costOf(states[at] as Standing, Math.floor((codes[at] ?? 0) / 5), (codes[at] ?? 0) % 5);
    return cost;
  };
  for (const size of WINDOWS)
    for (let from = 0; from + 2 <= codes.length && !isOver(limits); from += Math.ceil(size / 3)) {
      const states = statesOf(codes);
      const until = Math.min(codes.length, from + size);
      const [start, goal] = [states[from] as Standing, states[until] as Standing];
      const better = bridge(space, left, start, goal, costOf(states, from, until), limits);
      if (better) codes = [...codes.slice(0, from), ...better, ...codes.slice(until)];
    }
  return { codes, cost: costOf(statesOf(codes), 0, codes.length) };
}

/** The cheapest way from one state to a later one; null: none costs less than what is known. */
function bridge(
  space: StateSpace,
  left: (state: Standing) => number,
  start: Standing,
  goal: Standing,
  known: number,
  limits: SearchLimits,
): number[] | null {
  const table = new StateTable();
  const queue = new RowQueue();
  const end = left(goal);
  const first = table.rowOf(start);
  table.cost[first] = 0;
  queue.push(first, Math.max(0, left(start) - end), 0);
  for (let looked = 1; ; looked++) {
    const row = queue.pop();
    if (row < 0 || queue.popped >= known - EPSILON) return null;
    if (table.closed[row]) continue;
    table.closed[row] = 1;
    const state = table.stateOf(row);
    const cost = table.cost[row] ?? 0;
    if (
      state.oldLo === goal.oldLo &&
      state.oldHi === goal.oldHi &&
      state.doneLo === goal.doneLo &&
      state.doneHi === goal.doneHi &&
      state.place === goal.place
    )
      return table.wayTo(row);
    if (table.size > MOST_BRIDGED || (looked % LOOK === 0 && isOver(limits))) return null;
    for (const next of space.successors(state, true)) {
      const { oldLo, oldHi, doneLo, doneHi } = next.state;
      // What lies beyond the end of the piece is not touched.
      if ((doneLo & ~goal.doneLo) !== 0 || (doneHi & ~goal.doneHi) !== 0) continue;
      if ((goal.oldLo & ~oldLo) !== 0 || (goal.oldHi & ~oldHi) !== 0) continue;
      const total = cost + next.cost;
      const before = table.size;
      const at = table.rowOf(next.state);
      if (at < before && total >= (table.cost[at] ?? 0) - EPSILON) continue;
      const least = total + Math.max(0, left(next.state) - end);
      if (least >= known - EPSILON) continue;
      table.cost[at] = total;
      table.from[at] = row;
      table.code[at] = next.code;
      queue.push(at, least, depthOf(next.state));
    }
  }
}

/** Best first by cost so far and what is left at least; of equals the one that is further. */
function bestFirst(
  space: StateSpace,
  left: (state: Standing) => number,
  given: Found | null,
  limits: SearchLimits,
): { best: Found | null; bound: number; proven: boolean } {
  const table = new StateTable();
  const queue = new RowQueue();
  const best = given;
  const first = table.rowOf(space.first);
  table.cost[first] = 0;
  queue.push(first, left(space.first), 0);
  let looked = 0;
  for (;;) {
    const row = queue.pop();
    if (row < 0) return { best, bound: best?.cost ?? Number.POSITIVE_INFINITY, proven: true };
    if (table.closed[row]) continue;
    const least = queue.popped;
    if (best && least >= best.cost - EPSILON) return { best, bound: best.cost, proven: true };
    table.closed[row] = 1;
    const state = table.stateOf(row);
    const cost = table.cost[row] ?? 0;
    if (space.isDone(state)) return { best: { cost, codes: table.wayTo(row) }, bound: cost, proven: true };
    if (++looked % LOOK === 0 && (isOver(limits) || table.size > MOST_ROWS))
      return { best, bound: least, proven: false };
    for (const next of space.successors(state)) {
      const total = cost + next.cost;
      if (best && total >= best.cost - EPSILON) continue;
      const known = table.size;
      const at = table.rowOf(next.state);
      if (at < known && total >= (table.cost[at] ?? 0) - EPSILON) continue;
      const rest = left(next.state);
      table.cost[at] = total;
      table.from[at] = row;
      table.code[at] = next.code;
      if (best && total + rest >= best.cost - EPSILON) continue;
      if (Number.isFinite(rest)) queue.push(at, total + rest, depthOf(next.state));
    }
  }
}

/** Things done count two, parked ones one. */
const depthOf = ({ oldLo, oldHi, doneLo, doneHi }: Standing): number =>
  2 * (bitsOf(doneLo) + bitsOf(doneHi)) - (bitsOf(oldLo) + bitsOf(oldHi));

/** So many of the most promising states at each stage of the work. */
function beam(
  space: StateSpace,
  left: (state: Standing) => number,
  width: number,
  given: Found | null,
  limits: SearchLimits,
): Found | null {
  const table = new StateTable();
  const layers = new Map<number, { row: number; least: number }[]>();
  const first = table.rowOf(space.first);
  table.cost[first] = 0;
  const start = depthOf(space.first);
  layers.set(start, [{ row: first, least: left(space.first) }]);
  let best = given;
  let looked = 0;
  for (let depth = start; layers.size > 0; depth++) {
    const layer = layers.get(depth);
    if (!layer) continue;
    layers.delete(depth);
    const unique = new Map(layer.map((one) => [one.row, one]));
    const kept = [...unique.values()].sort((a, b) => a.least - b.least).slice(0, width);
    for (const { row } of kept) {
      const state = table.stateOf(row);
      const cost = table.cost[row] ?? 0;
      if (space.isDone(state)) {
        if (!best || cost < best.cost - EPSILON) best = { cost, codes: table.wayTo(row) };
        continue;
      }
      if (++looked % LOOK === 0 && isOver(limits)) return best;
      for (const next of space.successors(state)) {
        const total = cost + next.cost;
        const known = table.size;
        const at = table.rowOf(next.state);
        if (at < known && total >= (table.cost[at] ?? 0) - EPSILON) continue;
        const least = total + left(next.state);
        if (!Number.isFinite(least) || (best && least >= best.cost - EPSILON)) continue;
        table.cost[at] = total;
        table.from[at] = row;
        table.code[at] = next.code;
        const to = depthOf(next.state);
        const there = layers.get(to);
        if (there) there.push({ row: at, least });
        else layers.set(to, [{ row: at, least }]);
      }
    }
  }
  return best;
}

/** Rows by least cost, then by greatest depth. */
class RowQueue {
  private rows: number[] = [];
  private keys: number[] = [];
  private depths: number[] = [];
  /** Least cost of the row that was taken last. */
  popped = 0;

  push(row: number, key: number, depth: number): void {
    let at = this.rows.length;
    this.rows.push(row);
    this.keys.push(key);
    this.depths.push(depth);
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!this.isLess(at, up)) break;
      this.swap(at, up);
      at = up;
    }
  }

  /** The best row; -1: there is none. */
  pop(): number {
    const top = this.rows[0];
    if (top === undefined) return -1;
    this.popped = this.keys[0] ?? 0;
    const end = this.rows.length - 1;
    this.swap(0, end);
    this.rows.pop();
    this.keys.pop();
    this.depths.pop();
    for (let at = 0; ; ) {
      const down = 2 * at + 1;
      if (down >= end) break;
      const child = down + 1 < end && this.isLess(down + 1, down) ? down + 1 : down;
      if (!this.isLess(child, at)) break;
      this.swap(at, child);
      at = child;
    }
    return top;
  }

  private isLess(a: number, b: number): boolean {
    const [keyA = 0, keyB = 0] = [this.keys[a], this.keys[b]];
    return keyA < keyB - EPSILON || (keyA <= keyB + EPSILON && (this.depths[a] ?? 0) > (this.depths[b] ?? 0));
  }

  private swap(a: number, b: number): void {
    for (const list of [this.rows, this.keys, this.depths]) {
      const was = list[a] ?? 0;
      list[a] = list[b] ?? 0;
      list[b] = was;
    }
  }
}
