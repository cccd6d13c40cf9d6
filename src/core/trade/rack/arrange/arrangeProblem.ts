import { middleOf, type StackProblem } from '../../../base/solve/stacking/problem';
import { rackDimensions } from '../../../base/standards/rackDimensions';
import { naturalOrder } from '../../../base/text/naturalOrder';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { heatW, isUpright } from '../../../job/gear/body';
import { fitFaults } from '../../../job/rack/fit';
import { loadedKg } from '../../../job/rack/space';
import { unitsToEdge } from '../../../job/rack/units';
import type { Gear } from '../../../job/records/gear';
import { isPanel } from '../../../job/records/ports';
import type { Rack } from '../../../job/records/rack';
import { baseOf } from '../mounting/rackLoad';
import { type ArrangeWeights, type ArrangeWish, comfortableBand, HOT_W, moveMinutes, weightsOf } from './arrangeWish';
import { type CordsBetween, expectedCords } from './expectedCords';

/** Racks side by side as one column: a cord to the next one is as long as over so many units. Common practice. */
const BETWEEN_RACKS_U = 14;

export type Term = { concern: string; points: number };

export type ArrangeProblem = {
  gear: Gear[];
  racks: { rack: Rack; offset: number }[];
  stack: StackProblem;
  cords: CordsBetween[];
  weights: ArrangeWeights;
  wish: ArrangeWish;
  /** What a place costs a device, concern by concern; null where it cannot stand. */
  termsAt: (at: number, bottom: number) => Term[] | null;
  /** Unit of the column where a device stands now; null: it stands nowhere. */
  now: (number | null)[];
  /** How many of the pairs that must touch the person named; the rest is the school's. */
  named: number;
  /** Devices that have no place in any rack, with the reason. */
  left: { gearId: string; why: string }[];
  notes: string[];
};

/** What is arranged: what hangs on the front rails. The rest keeps its place and is counted with. */
const isArranged = (gear: Gear) => !isUpright(gear) && gear.frame !== 'free';

/**
 * The choice of places as numbers: what a place costs each device, what draws two of them together, and what must be.
 * @param without devices that give way, for want of units: they go to the pile
 */
export function arrangeProblem(job: Job, wish: ArrangeWish, without: ReadonlySet<string> = new Set()): ArrangeProblem {
  const { placementOfGear, gearInOrder } = indexJob(job);
  const weights = weightsOf(wish);
  const inOrder = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  let units = 0;
  const walls: number[] = [];
  const racks = inOrder.map((rack) => {
    if (units > 0) for (let gap = 0; gap < BETWEEN_RACKS_U; gap++) walls.push(++units);
    const offset = units;
    units += rack.units;
    return { rack, offset };
  });
  const wanted = gearInOrder.filter((gear) => {
    const place = placementOfGear.get(gear.id);
    if (!isArranged(gear) || without.has(gear.id)) return false;
    return place ? place.face === 'front' : gear.kind !== 'blank';
  });
  const ids = new Set(wanted.map((gear) => gear.id));
  // Faults are judged against what is not arranged: rear and upright gear.
  const rest = Object.values(job.placements).filter((row) => !ids.has(row.gearId) && !without.has(row.gearId));
  const bare: Job = { ...job, placements: Object.fromEntries(rest.map((row) => [row.id, row])) };
  const columnOf = (rackId: string, bottomU: number) =>
    (racks.find((one) => one.rack.id === rackId)?.offset ?? 0) + bottomU;

  const left: ArrangeProblem['left'] = [];
  const gear: Gear[] = [];
  const terms: (Term[] | null)[][] = [];
  const now: (number | null)[] = [];
  const cordsAll = expectedCords(job, wanted);
  const cordsOf = (id: string) =>
    cordsAll.reduce((sum, row) => sum + (row.a === id || row.b === id ? row.cords : 0), 0);
  for (const one of wanted) {
    const place = placementOfGear.get(one.id);
    const here = place ? columnOf(place.rackId, place.bottomU) : null;
    let why: string | null = null;
    const at = Array.from({ length: units }, (): { terms: Term[]; faults: number } | null => null);
    for (const { rack, offset } of racks) {
      for (let bottomU = 1; bottomU + one.heightU - 1 <= rack.units; bottomU++) {
        if (place?.pinned && (place.rackId !== rack.id || place.bottomU !== bottomU)) continue;
        const faults = fitFaults(bare, one, { rack, bottomU, face: 'front' });
        const hard = faults.find((fault) => fault.hard);
        // What is pinned stays, right or wrong: the docket says so.
        if (hard && !place?.pinned) {
          why ??= hard.words;
          continue;
        }
        const moved = here !== null && here !== offset + bottomU ? moveMinutes(one, cordsOf(one.id)) : 0;
        at[offset + bottomU - 1] = {
          terms: placeTerms(job, one, rack, bottomU, wish, weights, moved),
          faults: faults.length,
        };
      }
    }
    if (at.every((place) => place === null)) {
      left.push({ gearId: one.id, why: why ?? `${one.name} finds no rack with ${one.heightU} units.` });
      // What stands although it fits nowhere stays, and nothing else goes into its units.
      const rack = place && job.racks[place.rackId];
      for (let unit = 0; rack && here !== null && unit < one.heightU; unit++) {
        if (place.bottomU + unit <= rack.units) walls.push(here + unit);
      }
      continue;
    }
    gear.push(one);
    // What is wrong with it everywhere is no reason for one place or another.
    const least = Math.min(...at.flatMap((place) => place?.faults ?? []));
    terms.push(at.map((place) => place && withFaults(place.terms, weights.fault * (place.faults - least))));
    now.push(here);
  }

  const index = new Map(gear.map((one, at) => [one.id, at]));
  const cords = cordsAll.filter(({ a, b }) => index.has(a) && index.has(b));
  const links = cords.map(({ a, b, cords: count }) => ({
    a: index.get(a) ?? 0,
    b: index.get(b) ?? 0,
    weight: weights.cord * count,
  }));
  const panels = gear.flatMap((one, at) => (isPanel(one) ? [at] : []));
  if (weights.panels > 0) {
    panels.forEach((a, at) => {
      const b = panels[at + 1];
      if (b !== undefined) links.push({ a, b, weight: weights.panels });
    });
  }
  const { touching, notes, named } = mustTouch(job, gear, index, wish, cords);
  const stack: StackProblem = {
    units,
    walls,
    items: gear.map((one, at) => ({
      height: one.heightU,
      hot: (heatW(one) ?? 0) >= HOT_W,
      costAt: (terms[at] ?? []).map(
        (list) => list?.reduce((sum, term) => sum + term.points, 0) ?? Number.POSITIVE_INFINITY,
      ),
    })),
    links: links.filter((link) => link.weight > 0),
    touching,
    heatCost: weights.heat,
    freeReward: weights.free,
  };
  return {
    gear,
    racks,
    stack,
    cords,
    weights,
    wish,
    left,
    notes,
    named,
    now,
    termsAt: (at, bottom) => terms[at]?.[bottom - 1] ?? null,
  };
}

/** Points of one place for one device, by concern; concerns that do not matter are left out. */
function placeTerms(
  job: Job,
  gear: Gear,
  rack: Rack,
  bottomU: number,
  wish: ArrangeWish,
  weights: ArrangeWeights,
  moved: number,
): Term[] {
  const to = (edge: Rack['entry']) => unitsToEdge(rack, bottomU, gear.heightU, edge);
  const heightMm = baseOf(rack) + (middleOf(bottomU, gear.heightU) - 0.5) * rackDimensions.unitMm;
  const outside =
    Math.max(0, comfortableBand.leastMm - heightMm, heightMm - comfortableBand.mostMm) / rackDimensions.unitMm;
  const touched = isPanel(gear) || gear.kind === 'switch' || gear.kind === 'router';
  const terms: Term[] = [
    {
      concern: 'mass high up',
      points: weights.height * loadedKg(job, gear).sum * (middleOf(bottomU, gear.heightU) - 1),
    },
    { concern: 'away from the cable entry', points: isPanel(gear) ? weights.entry * to(rack.entry) : 0 },
    {
      concern: 'away from where the internet comes in',
      points:
        (gear.kind === 'router' || gear.kind === 'modem') && rack.internet !== 'none'
          ? weights.internet * to(rack.internet)
          : 0,
    },
    {
      concern: `away from the ${wish.distribution}`,
      points:
        gear.kind === 'distribution' && wish.distribution !== 'upright'
          ? weights.distribution * to(wish.distribution)
          : 0,
    },
    { concern: 'away from the cable entry', points: gear.kind === 'brush' ? weights.brush * to(rack.entry) : 0 },
    { concern: 'out of comfortable reach', points: touched ? weights.eye * outside : 0 },
    { concern: 'moved from where it stands', points: weights.minute * moved },
  ];
  return terms.filter((term) => term.points !== 0);
}

const withFaults = (terms: Term[], points: number): Term[] =>
  points === 0 ? terms : [...terms, { concern: 'fits badly here', points }];

/** Pairs that must touch: those the person named, and of the school with managers each panel, manager and switch. */
function mustTouch(job: Job, gear: Gear[], index: Map<string, number>, wish: ArrangeWish, cords: CordsBetween[]) {
  const touching: [number, number][] = [];
  const notes: string[] = [];
  const degree = new Map<number, number>();
  const bind = (a: number, b: number) => {
    touching.push([a, b]);
    for (const one of [a, b]) degree.set(one, (degree.get(one) ?? 0) + 1);
  };
  for (const { gearId, besideId } of Object.values(job.neighbours)) {
    const [a, b] = [index.get(gearId), index.get(besideId)];
    if (a !== undefined && b !== undefined) bind(a, b);
  }
  const named = touching.length;
  if (wish.school !== 'managers') return { touching, notes, named };
  const pinned = new Set(
    Object.values(job.placements)
      .filter((row) => row.pinned)
      .map((row) => row.gearId),
  );
  const free = (at: number | undefined) =>
    at !== undefined && !pinned.has(gear[at]?.id ?? '') && (degree.get(at) ?? 0) === 0;
  const managers = gear.flatMap((one, at) => (one.kind === 'manager' && free(at) ? [at] : []));
  const pairs = cords
    .filter(({ a, b }) => [a, b].some((id) => isPanel(gear[index.get(id) ?? -1] as Gear)))
    .sort((a, b) => b.cords - a.cords);
  let short = 0;
  for (const { a, b } of pairs) {
    const [one, other] = [index.get(a), index.get(b)];
    if (!free(one) || !free(other) || one === undefined || other === undefined) continue;
    const manager = managers.shift();
    if (manager === undefined) {
      short += 1;
      bind(one, other);
      continue;
    }
    bind(one, manager);
    bind(manager, other);
  }
  if (short > 0) {
    notes.push(
      `This school wants ${short === 1 ? 'one more manager' : `${short} more managers`}: without, panel and switch stand side by side.`,
    );
  }
  return { touching, notes, named };
}
