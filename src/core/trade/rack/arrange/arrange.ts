import type { SearchLimits } from '../../../base/solve/limits';
import { largestFree, stackCost } from '../../../base/solve/stacking/problem';
import { stackUp } from '../../../base/solve/stacking/stackUp';
import { cordHabits } from '../../../base/standards/cords';
import { frameWidths, rackDimensions } from '../../../base/standards/rackDimensions';
import { formatMass } from '../../../base/units/force';
import { applyCommands } from '../../../job/commands/apply';
import type { Command } from '../../../job/commands/commands';
import type { Job } from '../../../job/document/job';
import { unitName, unitsToEdge } from '../../../job/rack/units';
import type { Gear } from '../../../job/records/gear';
import type { Rack } from '../../../job/records/rack';
import { cordPathMm } from '../../patching/cords/cordLength';
import { rackLoad } from '../mounting/rackLoad';
import { type ArrangeProblem, arrangeProblem } from './arrangeProblem';
import { type ArrangeWish, moveMinutes } from './arrangeWish';
import { otherPlaces } from './otherPlaces';

export type Arranged = {
  gearId: string;
  name: string;
  rackId: string;
  bottomU: number;
  place: string;
  /** Where it stands now; null: in the pile. */
  was: string | null;
  moved: boolean;
  why: string;
  /** The next best place, when only this device is put elsewhere; null: there is none. */
  second: { place: string; points: number; why: string } | null;
};

export type ArrangeFigures = {
  /** Cords that are to be expected, along their way. */
  cordsMm: number;
  gravityMm: number;
  hotPairs: number;
  freeU: number;
  moves: number;
  minutes: number;
};

export type Arrangement = {
  wish: ArrangeWish;
  places: Arranged[];
  left: { gearId: string; why: string }[];
  notes: string[];
  figures: ArrangeFigures;
  cost: number;
  bound: number;
  proven: boolean;
  /** One undoable step: what moves is lifted first, so that places can be exchanged. */
  commands: Command[];
};

/** A stack found on the way, with all that is needed to take it when the search is broken off. */
export type BetterSoFar = { gaveWay: { gearId: string; why: string }[]; bottoms: number[]; cost: number };

/** What gives way first when there are not units enough. */
const GIVES_WAY: readonly Gear['kind'][] = [
  'blank',
  'fan',
  'cassette',
  'manager',
  'drawer',
  'brush',
  'other',
  'shelf',
  'kit',
];

/** The place of a unit of the column. */
function placeOf({ racks }: Pick<ArrangeProblem, 'racks'>, column: number): { rack: Rack; bottomU: number } {
  const at = racks.findLast(({ offset }) => column > offset) ?? racks[0];
  if (!at) throw new RangeError('no rack');
  return { rack: at.rack, bottomU: column - at.offset };
}

/**
 * Places for all gear of the front rails at least cost by a wish: what is pinned or upright, on rear rails or on
 * shelves keeps its place. The job is not changed: the result holds the commands that would.
 *
 * @param onBetter called with each better arrangement while it is looked for
 */
export function arrange(
  job: Job,
  wish: ArrangeWish,
  limits: SearchLimits,
  onBetter?: (better: BetterSoFar) => void,
): Arrangement {
  const gaveWay: Arrangement['left'] = [];
  let problem = arrangeProblem(job, wish);
  const look = () =>
    stackUp(problem.stack, limits, (bottoms, cost) => onBetter?.({ gaveWay: [...gaveWay], bottoms, cost }));
  let found = look();
  if (!found.bottoms && problem.stack.touching.length > problem.named) {
    problem = {
      ...problem,
      notes: [
        ...problem.notes,
        'Panels and switches cannot all stand as this school wants: they stand where they fit.',
      ],
      stack: { ...problem.stack, touching: problem.stack.touching.slice(0, problem.named) },
    };
    found = look();
  }
  const apart = { ...problem.stack, touching: [] };
  if (!found.bottoms && problem.named > 0 && stackUp(apart, { ...limits, untilMs: limits.now() + 500 }).bottoms) {
    return {
      ...nothing(wish),
      left: problem.left,
      notes: ['What must touch cannot: unpin one of each pair, or part them.'],
    };
  }
  // Where nothing holds everything, the least needed gives way, one after the other.
  while (!found.bottoms && problem.gear.length > 0) {
    const out = leastNeeded(problem);
    if (!out) break;
    gaveWay.push({
      gearId: out.id,
      why: `${out.name} gives way: there are not ${out.heightU} units left for it beside the rest.`,
    });
    problem = arrangeProblem(job, wish, new Set(gaveWay.map((one) => one.gearId)));
    found = look();
  }
  if (!found.bottoms) return { ...nothing(wish), left: [...problem.left, ...gaveWay], notes: problem.notes };
  const made = arrangementOf(job, problem, found.bottoms, gaveWay);
  return { ...made, bound: found.bound, proven: found.proven && gaveWay.length === 0 };
}

function arrangementOf(
  job: Job,
  problem: ArrangeProblem,
  bottoms: readonly number[],
  gaveWay: Arrangement['left'],
): Arrangement {
  const without = gaveWay.map((one) => one.gearId);
  const { places, figures } = describe(job, problem, bottoms, without);
  const { cost } = stackCost(problem.stack, bottoms);
  return {
    wish: problem.wish,
    places,
    left: [...problem.left, ...gaveWay],
    notes: problem.notes,
    figures,
    cost,
    bound: Number.NEGATIVE_INFINITY,
    proven: false,
    commands: commandsOf(job, places, without),
  };
}

/** The arrangement of a stack found on the way: nothing is known of how far it is from the best. */
export function arrangementSoFar(job: Job, wish: ArrangeWish, { gaveWay, bottoms }: BetterSoFar): Arrangement {
  const problem = arrangeProblem(job, wish, new Set(gaveWay.map((one) => one.gearId)));
  return arrangementOf(job, problem, bottoms, gaveWay);
}

const nothing = (wish: ArrangeWish): Arrangement => ({
  wish,
  places: [],
  left: [],
  notes: [],
  figures: { cordsMm: 0, gravityMm: 0, hotPairs: 0, freeU: 0, moves: 0, minutes: 0 },
  cost: 0,
  bound: 0,
  proven: false,
  commands: [],
});

function leastNeeded({ gear, now, stack }: ArrangeProblem): Gear | undefined {
  const rank = (one: Gear) => {
    const at = GIVES_WAY.indexOf(one.kind);
    return at < 0 ? GIVES_WAY.length : at;
  };
  return gear
    .map((one, at) => ({ one, at }))
    .filter(({ at }) => (stack.items[at]?.costAt.filter(Number.isFinite).length ?? 0) > 1)
    .sort((a, b) => rank(a.one) - rank(b.one) || Number(now[a.at] !== null) - Number(now[b.at] !== null))[0]?.one;
}

function commandsOf(job: Job, places: readonly Arranged[], without: readonly string[]): Command[] {
  const moving = places.filter((place) => place.moved);
  const placed = new Set(Object.values(job.placements).map((row) => row.gearId));
  const lifted = [...moving.map((place) => place.gearId), ...without].filter((id) => placed.has(id));
  return [
    ...(lifted.length > 0 ? [{ type: 'liftGear' as const, gearIds: lifted }] : []),
    ...moving.map(({ gearId, rackId, bottomU }) => ({ type: 'placeGear' as const, gearId, rackId, bottomU })),
  ];
}

/** What a stack comes to in the trade's own figures, and why each device stands where it does. */
function describe(
  job: Job,
  problem: ArrangeProblem,
  bottoms: readonly number[],
  without: readonly string[],
): { places: Arranged[]; figures: ArrangeFigures } {
  const { gear, now, cords } = problem;
  const others = otherPlaces(problem.stack, bottoms);
  const nameAt = (at: number, column: number) => {
    const { rack, bottomU } = placeOf(problem, column);
    const name = unitName(rack, bottomU, gear[at]?.heightU ?? 1);
    return problem.racks.length > 1 ? `${name} of ${rack.name}` : name;
  };
  const places = gear.map((one, at): Arranged => {
    const column = bottoms[at] ?? 1;
    const { rack, bottomU } = placeOf(problem, column);
    const was = now[at] ?? null;
    const second = others[at] ?? null;
    return {
      gearId: one.id,
      name: one.name,
      rackId: rack.id,
      bottomU,
      place: nameAt(at, column),
      was: was === null ? null : nameAt(at, was),
      moved: was !== column,
      why: whyHere(job, problem, bottoms, at),
      second: second && {
        place: nameAt(at, second.bottoms[at] ?? 1),
        points: second.cost,
        why: whatChanges(problem, bottoms, second.bottoms, at),
      },
    };
  });
  const moves = places.filter((place) => place.moved && place.was !== null);
  const cordCount = (id: string) => cords.reduce((sum, row) => sum + (row.a === id || row.b === id ? row.cords : 0), 0);
  const after = applyCommands(job, commandsOf(job, places, without)).job;
  const loads = problem.racks.map(({ rack }) => rackLoad(after, rack));
  const mass = loads.reduce((sum, load) => sum + load.massKg.sum, 0);
  const { heat } = stackCost(problem.stack, bottoms);
  const index = new Map(gear.map((one, at) => [one.id, at]));
  const middle = frameWidths['19-inch'].panelMm / 2;
  return {
    places: places.sort(byPlace),
    figures: {
      cordsMm: Math.round(
        cords.reduce((sum, { a, b, cords: count }) => {
          const apart = Math.abs((bottoms[index.get(a) ?? 0] ?? 0) - (bottoms[index.get(b) ?? 0] ?? 0));
          return (
            sum +
            count *
              cordPathMm(
                Math.round(apart) <= cordHabits.adjacentWithinU ? 'straight' : 'side',
                middle,
                middle,
                Math.round(apart) * rackDimensions.unitMm,
              )
          );
        }, 0),
      ),
      gravityMm: mass === 0 ? 0 : loads.reduce((sum, load) => sum + load.heightMm * load.massKg.sum, 0) / mass,
      hotPairs: problem.stack.heatCost === 0 ? 0 : Math.round(heat / problem.stack.heatCost),
      freeU: largestFree(problem.stack, bottoms).size,
      moves: moves.length,
      minutes: Math.round(
        moves.reduce((sum, { gearId }) => {
          const one = job.gear[gearId];
          return sum + (one ? moveMinutes(one, cordCount(gearId)) : 0);
        }, 0),
      ),
    },
  };
}

const byPlace = (a: Arranged, b: Arranged) =>
  a.rackId === b.rackId ? b.bottomU - a.bottomU : a.rackId < b.rackId ? -1 : 1;

/** In words, what holds a device where it is: pins, what it must touch, and what it would cost more elsewhere. */
function whyHere(job: Job, problem: ArrangeProblem, bottoms: readonly number[], at: number): string {
  const { gear, stack, cords } = problem;
  const one = gear[at] as Gear;
  const words: string[] = [];
  if (Object.values(job.placements).some((row) => row.gearId === one.id && row.pinned)) words.push('pinned here');
  const mates = stack.touching.filter((pair) => pair.includes(at)).map(([a, b]) => gear[a === at ? b : a]?.name);
  if (mates.length > 0) words.push(`must touch ${mates.join(' and ')}`);
  const index = new Map(gear.map((device, place) => [device.id, place]));
  const links = cords
    .filter(({ a, b }) => a === one.id || b === one.id)
    .map(({ a, b, cords: count }) => ({ other: index.get(a === one.id ? b : a) ?? 0, count }))
    .sort((a, b) => b.count - a.count);
  const [main] = links;
  if (main && problem.weights.cord > 0) {
    const apart = Math.abs((bottoms[main.other] ?? 0) - (bottoms[at] ?? 0));
    words.push(
      `${Math.round(main.count)} cords to ${gear[main.other]?.name}, ${apart === 1 ? 'next to it' : `${apart} units away`}`,
    );
  }
  const { rack, bottomU } = placeOf(problem, bottoms[at] ?? 1);
  if (one.massKg !== null && one.massKg >= 7 && bottomU <= rack.units / 2)
    words.push(`${formatMass(one.massKg, job.units)}, kept low`);
  if (one.kind === 'brush' || one.kind === 'panel') {
    if (unitsToEdge(rack, bottomU, one.heightU, rack.entry) <= 2) words.push('by the cable entry');
  }
  if ((one.kind === 'router' || one.kind === 'modem') && rack.internet !== 'none') {
    const to = unitsToEdge(rack, bottomU, one.heightU, rack.internet);
    words.push(`${to === 0 ? 'right' : `${to} units from`} where the internet comes in`);
  }
  if (one.kind === 'distribution' && problem.wish.distribution !== 'upright')
    words.push(`distribution at the ${problem.wish.distribution}`);
  if (words.length === 0)
    words.push(problem.now[at] === bottoms[at] ? 'stays: moving gains nothing' : 'leaves the free units in one piece');
  return `${words.join('; ')}.`;
}

/** The concern that grows most at the other place. */
function whatChanges(
  problem: ArrangeProblem,
  bottoms: readonly number[],
  other: readonly number[],
  at: number,
): string {
  const points = new Map<string, number>();
  const add = (concern: string, more: number) => points.set(concern, (points.get(concern) ?? 0) + more);
  problem.gear.forEach((_, place) => {
    for (const term of problem.termsAt(place, other[place] ?? 1) ?? []) add(term.concern, term.points);
    for (const term of problem.termsAt(place, bottoms[place] ?? 1) ?? []) add(term.concern, -term.points);
  });
  const [was, is] = [stackCost(problem.stack, bottoms), stackCost(problem.stack, other)];
  add('longer cords', is.cords - was.cords);
  add('hot devices touch', is.heat - was.heat);
  add('a smaller free block', problem.stack.freeReward * (was.free - is.free));
  const [worst] = [...points].sort((a, b) => b[1] - a[1]);
  return worst && worst[1] > 0.05 ? worst[0] : `no worse for ${problem.gear[at]?.name ?? 'it'}`;
}
