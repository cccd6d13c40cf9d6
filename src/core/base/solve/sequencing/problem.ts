/** What becomes of a thing: it stands and goes elsewhere, it comes, or it leaves. */
export const STAYS = 0;
export const COMES = 1;
export const LEAVES = 2;

/** A set of things as two words of 32 bits: at most 64 things. */
export type Things = { lo: number; hi: number };
export const MOST_THINGS = 64;
export const noThings = (): Things => ({ lo: 0, hi: 0 });
export const addThing = (set: Things, at: number): void => {
  if (at < 32) set.lo |= 1 << at;
  else set.hi |= 1 << (at - 32);
};
export const hasThing = (set: Things, at: number): boolean =>
  at < 32 ? (set.lo & (1 << at)) !== 0 : (set.hi & (1 << (at - 32))) !== 0;

export type Thing = {
  kind: typeof STAYS | typeof COMES | typeof LEAVES;
  takeMin: number;
  putMin: number;
  canPark: boolean;
  /** Parked it takes one of the places that there are; what merely hangs takes none. */
  takesRoom: boolean;
  /** Where it is worked on. Going from one to another counts. */
  place: number;
  /** Things that must have left their old places, and that must not stand in their new ones, before it can be put. */
  oldInWay: Things;
  newInWay: Things;
  /** Things that must have left their old places before it is taken. */
  takeClear: Things;
  /** Things that must be done before it is taken, and before it is put. */
  takeNeeds: Things;
  putNeeds: Things;
};

/** One way of a service: what must stand in its old and what in its new place; `either` in one of both. */
export type Way = { old: Things; new: Things; either: Things };
/** It counts only if one of its ways stands before the first step, or where it is said to count: it was taken down already. */
export type Service = { weight: number; ways: readonly Way[]; counts?: boolean };

export type SequencingProblem = {
  things: readonly Thing[];
  services: readonly Service[];
  parkLimit: number;
  parkPenalty: number;
  /** Points for each change of place between two steps. */
  walkPoints: number;
};

/** Move: from old to new in one step. Park and fetch: the same in two. Remove and bring: of what leaves and what comes. */
export const ACTIONS = ['move', 'park', 'fetch', 'remove', 'bring'] as const;
export type Action = (typeof ACTIONS)[number];
export type Step = { thing: number; action: Action };

/** Which things stand in their old places, and which are done: in the new one, or gone. A thing in neither is parked, or yet to come. */
export type Standing = { oldLo: number; oldHi: number; doneLo: number; doneHi: number; place: number };

export function startOf({ things }: SequencingProblem): Standing {
  const old = noThings();
  things.forEach(({ kind }, at) => {
    if (kind !== COMES) addThing(old, at);
  });
  return { oldLo: old.lo, oldHi: old.hi, doneLo: 0, doneHi: 0, place: -1 };
}

/** Things that leave: done, they stand nowhere. */
export function leaving({ things }: SequencingProblem): Things {
  const set = noThings();
  things.forEach(({ kind }, at) => {
    if (kind === LEAVES) addThing(set, at);
  });
  return set;
}

const within = (wanted: number, has: number): boolean => (wanted & ~has) === 0;

/** Whether one of its ways stands. `new` words hold what is done and did not leave. */
export function isUp(ways: readonly Way[], oldLo: number, oldHi: number, newLo: number, newHi: number): boolean {
  for (const way of ways)
    if (
      within(way.old.lo, oldLo) &&
      within(way.old.hi, oldHi) &&
      within(way.new.lo, newLo) &&
      within(way.new.hi, newHi) &&
      within(way.either.lo, oldLo | newLo) &&
      within(way.either.hi, oldHi | newHi)
    )
      return true;
  return false;
}

/** Services that are up before the first step: those that count. */
export function countedServices(problem: SequencingProblem): Service[] {
  const { oldLo, oldHi } = startOf(problem);
  return problem.services.filter(
    ({ weight, ways, counts }) => weight > 0 && (counts === true || isUp(ways, oldLo, oldHi, 0, 0)),
  );
}

/** How many bits of a word are set. */
export function bitsOf(word: number): number {
  let rest = word - ((word >>> 1) & 0x55555555);
  rest = (rest & 0x33333333) + ((rest >>> 2) & 0x33333333);
  return Math.imul((rest + (rest >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}
