import {
  ACTIONS,
  type Action,
  addThing,
  bitsOf,
  COMES,
  countedServices,
  hasThing,
  isUp,
  LEAVES,
  leaving,
  noThings,
  type SequencingProblem,
  STAYS,
  type Standing,
  startOf,
  type Things,
} from './problem';

const MOVE = ACTIONS.indexOf('move');
const PARK = ACTIONS.indexOf('park');
const FETCH = ACTIONS.indexOf('fetch');
const REMOVE = ACTIONS.indexOf('remove');
const BRING = ACTIONS.indexOf('bring');

const TAKE = [MOVE, PARK];
const JUST_FETCH = [FETCH];
const JUST_REMOVE = [REMOVE];
const JUST_BRING = [BRING];

type Successor = { code: number; cost: number; state: Standing };

/** States of a problem, steps between them, and what each costs. A step is coded as thing × 5 + action. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a state space is its functions over one set of arrays
export function stateSpace(problem: SequencingProblem) {
  const { things, parkLimit, parkPenalty, walkPoints } = problem;
  const services = countedServices(problem);
  const gone = leaving(problem);
  const count = things.length;
  const first = startOf(problem);
  // What comes is neither old nor done at first and yet not parked.
  const room = noThings();
  things.forEach(({ kind, takesRoom }, at) => {
    if (kind === STAYS && takesRoom) addThing(room, at);
  });
  const all = noThings();
  things.forEach((_, at) => {
    addThing(all, at);
  });
  const has = ({ lo, hi }: Things, wordLo: number, wordHi: number) => (lo & ~wordLo) === 0 && (hi & ~wordHi) === 0;
  const meets = ({ lo, hi }: Things, wordLo: number, wordHi: number) => (lo & wordLo) !== 0 || (hi & wordHi) !== 0;

  /** Weights of the services that are down while a thing is in the hand. */
  function downWith(state: Standing, thing: number): number {
    const bitLo = thing < 32 ? 1 << thing : 0;
    const bitHi = thing < 32 ? 0 : 1 << (thing - 32);
    const oldLo = state.oldLo & ~bitLo;
    const oldHi = state.oldHi & ~bitHi;
    const newLo = state.doneLo & ~gone.lo & ~bitLo;
    const newHi = state.doneHi & ~gone.hi & ~bitHi;
    let weight = 0;
    for (const service of services) if (!isUp(service.ways, oldLo, oldHi, newLo, newHi)) weight += service.weight;
    return weight;
  }

  const isDone = (state: Standing) => state.doneLo === all.lo && state.doneHi === all.hi;
  const parkedIn = ({ oldLo, oldHi, doneLo, doneHi }: Standing): number =>
    bitsOf(room.lo & ~oldLo & ~doneLo) + bitsOf(room.hi & ~oldHi & ~doneHi);

  function canDo(state: Standing, at: number, action: number, parked: number): boolean {
    const thing = things[at];
    if (!thing) return false;
    const { oldLo, oldHi, doneLo, doneHi } = state;
    const bit = 1 << (at & 31);
    const isOld = ((at < 32 ? oldLo : oldHi) & bit) !== 0;
    const isNew = ((at < 32 ? doneLo : doneHi) & bit) !== 0;
    const takes = action === MOVE || action === PARK || action === REMOVE;
    const puts = action === MOVE || action === FETCH || action === BRING;
    if (isNew) return false;
    if (takes && (!isOld || !has(thing.takeNeeds, doneLo, doneHi) || meets(thing.takeClear, oldLo, oldHi)))
      return false;
    if (!takes && isOld) return false;
    if (puts) {
      const bitLo = at < 32 ? bit : 0;
      const bitHi = at < 32 ? 0 : bit;
      if (!has(thing.putNeeds, doneLo, doneHi)) return false;
      if (meets(thing.oldInWay, oldLo & ~bitLo, oldHi & ~bitHi) || meets(thing.newInWay, doneLo, doneHi)) return false;
    }
    switch (action) {
      case MOVE:
        return thing.kind === STAYS;
      case PARK:
        return thing.kind === STAYS && thing.canPark && (!thing.takesRoom || parked < parkLimit);
      case FETCH:
        return thing.kind === STAYS;
      case REMOVE:
        return thing.kind === LEAVES;
      default:
        return thing.kind === COMES;
    }
  }

  const minutesOf = (at: number, action: number): number => {
    const { takeMin = 0, putMin = 0 } = things[at] ?? {};
    if (action === MOVE) return takeMin + putMin;
    return action === PARK || action === REMOVE ? takeMin : putMin;
  };

  function after(state: Standing, at: number, action: number): Standing {
    const bitLo = at < 32 ? 1 << at : 0;
    const bitHi = at < 32 ? 0 : 1 << (at - 32);
    const done = action !== PARK;
    return {
      oldLo: state.oldLo & ~bitLo,
      oldHi: state.oldHi & ~bitHi,
      doneLo: done ? state.doneLo | bitLo : state.doneLo,
      doneHi: done ? state.doneHi | bitHi : state.doneHi,
      place: walkPoints > 0 ? (things[at]?.place ?? 0) : -1,
    };
  }

  function costOf(state: Standing, at: number, action: number): number {
    const walk = state.place >= 0 && state.place !== things[at]?.place ? walkPoints : 0;
    return minutesOf(at, action) * downWith(state, at) + (action === PARK ? parkPenalty : 0) + walk;
  }

  // Things that no way wants in its old place, nor at all where they leave: once done they can only help.
  const onlyHelps = things.map(({ kind }, at) =>
    services.every(({ ways }) =>
      ways.every((way) => !hasThing(way.old, at) && (kind !== LEAVES || !hasThing(way.either, at))),
    ),
  );

  /**
   * What can be done next. A step that darkens nothing and whose end can only help is as good as any order has: it is then the
   * only one given, unless all are asked for.
   */
  function successors(state: Standing, all = false): Successor[] {
    const made: Successor[] = [];
    const parked = parkedIn(state);
    for (let at = 0; at < count; at++) {
      const kind = things[at]?.kind;
      const bit = 1 << (at & 31);
      if (((at < 32 ? state.doneLo : state.doneHi) & bit) !== 0) continue;
      const isOld = ((at < 32 ? state.oldLo : state.oldHi) & bit) !== 0;
      const actions = kind === LEAVES ? JUST_REMOVE : kind === COMES ? JUST_BRING : isOld ? TAKE : JUST_FETCH;
      for (const action of actions) {
        if (!canDo(state, at, action, parked)) continue;
        const one = { code: at * 5 + action, cost: costOf(state, at, action), state: after(state, at, action) };
        if (!all && one.cost === 0 && action !== PARK && walkPoints === 0 && onlyHelps[at]) return [one];
        made.push(one);
      }
    }
    return made;
  }

  return { first, services, successors, isDone, canDo, costOf, after, parkedIn, minutesOf };
}

export type StateSpace = ReturnType<typeof stateSpace>;

export const stepOf = (code: number): { thing: number; action: Action } => ({
  thing: Math.floor(code / 5),
  action: ACTIONS[code % 5] ?? 'move',
});

/** What a sequence costs; null: a step of it cannot be done, or something is left undone. */
export function costOfSteps(
  problem: SequencingProblem,
  steps: readonly { thing: number; action: Action }[],
): number | null {
  const space = stateSpace(problem);
  let state = space.first;
  let cost = 0;
  for (const { thing, action } of steps) {
    const code = ACTIONS.indexOf(action);
    if (!space.canDo(state, thing, code, space.parkedIn(state))) return null;
    cost += space.costOf(state, thing, code);
    state = space.after(state, thing, code);
  }
  return space.isDone(state) ? cost : null;
}
