import {
  addThing,
  COMES,
  countedServices,
  hasThing,
  isUp,
  LEAVES,
  noThings,
  type SequencingProblem,
  type Service,
  STAYS,
  type Standing,
} from './problem';

/** So many states all the small problems may have together, and each of them at least and at most. */
const ALL_STATES = 240_000;
const STATES = { least: 3_000, most: 30_000 } as const;

/** A few things alone: what is still to be paid in each of their states at least. */
type Part = {
  members: readonly number[];
  /** Value of a thing's place in the number of a state; 0: it is not a member. */
  times: Int32Array;
  /** Number of the done state of each thing: 1, or 2 where it can be parked. */
  last: Int32Array;
  left: Float64Array;
};

/**
 * Lower bounds on what is left to pay: each service is solved exactly with the things of its ways and what stands in their way,
 * all else left out. Minutes dark are added over services, so that the bounds may be added too; a penalty for parking is paid in
 * one of the parts that know the thing.
 */
export function partBounds(problem: SequencingProblem) {
  const { things } = problem;
  const near = neighbours(problem);
  const services = countedServices(problem);
  const seeds = circleSeeds(problem, near);
  const room = ALL_STATES / Math.max(1, services.length + seeds.length);
  const most = Math.min(STATES.most, Math.max(STATES.least, room));
  const groups = [
    ...services.map((service) => ({
      service,
      members: membersFor(problem, near, thingsOf(service, things.length), most),
    })),
    // What blocks each other, for the parking alone.
    ...seeds.map((seed) => ({ service: null, members: membersFor(problem, near, [seed], most) })),
  ];
  // A penalty for parking is paid in one part: in the first whose ways go through the thing, else in the first that knows it.
  const payers = things.map((_, at) => {
    const own = groups.findIndex(({ service, members }) => service && members.includes(at) && goesThrough(service, at));
    return own >= 0 ? own : groups.findIndex(({ members }) => members.includes(at));
  });
  const parts = groups.map(({ service, members }, group) =>
    makePart(problem, service, members, new Set(members.filter((at) => payers[at] === group))),
  );
  const stays = Uint8Array.from(things, ({ kind }) => (kind === STAYS ? 1 : 0));
  return {
    /** What is left to pay at least; infinite: from here nothing leads to the end. */
    left: (state: Standing): number => {
      let sum = 0;
      for (const { members, times, last, left } of parts) {
        let number = 0;
        for (let slot = 0; slot < members.length; slot++) {
          const at = members[slot] ?? 0;
          const bit = 1 << (at & 31);
          if (((at < 32 ? state.doneLo : state.doneHi) & bit) !== 0) number += (times[at] ?? 0) * (last[at] ?? 1);
          else if ((stays[at] ?? 0) !== 0 && ((at < 32 ? state.oldLo : state.oldHi) & bit) === 0)
            number += times[at] ?? 0;
        }
        sum += left[number] ?? 0;
      }
      return sum;
    },
  };
}

const goesThrough = ({ ways }: Service, at: number): boolean =>
  ways.some((way) => hasThing(way.old, at) || hasThing(way.new, at) || hasThing(way.either, at));
const thingsOf = (service: Service, count: number): number[] =>
  Array.from({ length: count }, (_, at) => at).filter((at) => goesThrough(service, at));

const statesOf = ({ things, parkLimit }: SequencingProblem, at: number): number => {
  const thing = things[at];
  return thing?.kind === STAYS && thing.canPark && (!thing.takesRoom || parkLimit > 0) ? 3 : 2;
};

/** What each thing waits for or keeps waiting. */
function neighbours({ things }: SequencingProblem): number[][] {
  const near = things.map(() => new Set<number>());
  things.forEach(({ oldInWay, takeClear, takeNeeds, putNeeds }, at) => {
    for (let other = 0; other < things.length; other++)
      if (other !== at && [oldInWay, takeClear, takeNeeds, putNeeds].some((set) => hasThing(set, other))) {
        near[at]?.add(other);
        near[other]?.add(at);
      }
  });
  return near.map((set) => [...set]);
}

/** The seeds and, as long as it stays small, what is nearest to them. */
function membersFor(
  problem: SequencingProblem,
  near: readonly (readonly number[])[],
  seeds: readonly number[],
  most: number,
): number[] {
  const members: number[] = [];
  let states = 1;
  const queue = [...seeds];
  const seen = new Set(queue);
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    const times = statesOf(problem, at);
    if (states * times > most) break;
    states *= times;
    members.push(at);
    for (const other of near[at] ?? [])
      if (!seen.has(other)) {
        seen.add(other);
        queue.push(other);
      }
  }
  return members;
}

/** One thing of each group of things that hang together and may have to be parked. */
function circleSeeds({ things, parkPenalty }: SequencingProblem, near: readonly (readonly number[])[]): number[] {
  if (parkPenalty === 0) return [];
  const seen = new Set<number>();
  return things.flatMap((_, at) => {
    if (seen.has(at) || (near[at] ?? []).length === 0) return [];
    const queue = [at];
    for (let one = queue.pop(); one !== undefined; one = queue.pop()) {
      if (seen.has(one)) continue;
      seen.add(one);
      queue.push(...(near[one] ?? []));
    }
    return [at];
  });
}

function makePart(
  problem: SequencingProblem,
  service: Service | null,
  members: readonly number[],
  pays: ReadonlySet<number>,
): Part {
  const { things } = problem;
  const times = new Int32Array(things.length);
  const last = new Int32Array(things.length);
  let states = 1;
  for (const at of members) {
    times[at] = states;
    last[at] = statesOf(problem, at) - 1;
    states *= (last[at] ?? 1) + 1;
  }
  const left = new Float64Array(states).fill(Number.POSITIVE_INFINITY);
  left[states - 1] = 0;
  // The ways of a service over the members alone: what else they want is taken to stand.
  const kept = noThings();
  for (const at of members) addThing(kept, at);
  const ways = service?.ways.map((way) => ({
    old: { lo: way.old.lo & kept.lo, hi: way.old.hi & kept.hi },
    new: { lo: way.new.lo & kept.lo, hi: way.new.hi & kept.hi },
    either: { lo: way.either.lo & kept.lo, hi: way.either.hi & kept.hi },
  }));
  const only = (set: { lo: number; hi: number }) => ({ lo: set.lo & kept.lo, hi: set.hi & kept.hi });
  const facts = members.map((at) => {
    const thing = things[at];
    return {
      at,
      times: times[at] ?? 0,
      last: last[at] ?? 1,
      thing,
      oldInWay: only(thing?.oldInWay ?? noThings()),
      newInWay: only(thing?.newInWay ?? noThings()),
      takeClear: only(thing?.takeClear ?? noThings()),
      takeNeeds: only(thing?.takeNeeds ?? noThings()),
      putNeeds: only(thing?.putNeeds ?? noThings()),
      parkPoints: pays.has(at) ? problem.parkPenalty : 0,
    };
  });
  for (let number = states - 2; number >= 0; number--) {
    const [old, done, stand] = [noThings(), noThings(), noThings()];
    let parked = 0;
    for (const fact of facts) {
      const digit = Math.floor(number / fact.times) % (fact.last + 1);
      if (digit === fact.last) {
        addThing(done, fact.at);
        if (fact.thing?.kind !== LEAVES) addThing(stand, fact.at);
      } else if (digit === 0) {
        if (fact.thing?.kind !== COMES) addThing(old, fact.at);
      } else if (fact.thing?.takesRoom) parked++;
    }
    let best = Number.POSITIVE_INFINITY;
    for (const fact of facts) {
      const { thing } = fact;
      const digit = Math.floor(number / fact.times) % (fact.last + 1);
      if (!thing || digit === fact.last) continue;
      const own = noThings();
      addThing(own, fact.at);
      const takes = digit === 0 && thing.kind !== COMES;
      if (takes && ((fact.takeNeeds.lo & ~done.lo) !== 0 || (fact.takeNeeds.hi & ~done.hi) !== 0)) continue;
      if (takes && ((fact.takeClear.lo & old.lo) !== 0 || (fact.takeClear.hi & old.hi) !== 0)) continue;
      const dark =
        ways !== undefined && service
          ? isUp(ways, old.lo & ~own.lo, old.hi & ~own.hi, stand.lo, stand.hi)
            ? 0
            : service.weight
          : 0;
      const free =
        (fact.putNeeds.lo & ~done.lo) === 0 &&
        (fact.putNeeds.hi & ~done.hi) === 0 &&
        (fact.oldInWay.lo & old.lo & ~own.lo) === 0 &&
        (fact.oldInWay.hi & old.hi & ~own.hi) === 0 &&
        (fact.newInWay.lo & done.lo) === 0 &&
        (fact.newInWay.hi & done.hi) === 0;
      const end = number + (fact.last - digit) * fact.times;
      if (thing.kind === LEAVES) best = Math.min(best, thing.takeMin * dark + (left[end] ?? 0));
      else if (free) {
        const minutes = digit === 0 && thing.kind === STAYS ? thing.takeMin + thing.putMin : thing.putMin;
        best = Math.min(best, minutes * dark + (left[end] ?? 0));
      }
      if (digit === 0 && thing.kind === STAYS && thing.canPark && (!thing.takesRoom || parked < problem.parkLimit))
        best = Math.min(best, thing.takeMin * dark + fact.parkPoints + (left[number + fact.times] ?? 0));
    }
    left[number] = best;
  }
  return { members, times, last, left };
}
