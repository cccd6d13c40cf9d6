import { budgetCut } from '../budgeted/budgetCut';
import { type HullCut, hullCut } from '../hullCut';
import { coverOf } from './cover';
import { countsOf, type PackingModel, partsIn } from './packingModel';
import { rowFilling } from './rowFilling';
import { rowHull } from './rowHull';

/** Hulls of limits take long where many things lie in them. */
const MOST_IN_HULL = 8;
/** Each cut makes every program after it larger. */
const MOST_CUTS = 60;
const SHARE = 1e-4;

/**
 * Cuts that shares break: covers and hulls of limits, sets of things that a row of places cannot hold together, and how many
 * bodies of which widths it can hold.
 * @returns whether there are any
 */
export function cutPart(model: PackingModel, shares: Float64Array): boolean {
  const { cuts, addRow, problem, rowKinds, kindOfPair } = model;
  const { places, limits, rowOf } = problem;
  if (cuts.length >= MOST_CUTS) return false;
  const before = cuts.length;
  const add = ({ factors, limit }: HullCut, factorAt: (thing: number, place: number) => number) => {
    const unit = Math.max(...factors);
    cuts.push(addRow(limit / unit, (thing, place) => factorAt(thing, place) / unit));
  };
  for (const limit of limits) {
    const { inside, weight, most } = limit;
    const part = partsIn(model, shares, (place) => inside[place] === 1);
    const cover = coverOf(weight, most, part);
    if (cover) cuts.push(addRow(cover.most, (thing, place) => (inside[place] && cover.holds[thing] ? 1 : 0)));
    else {
      const hull = limitHull(limit, part);
      if (hull) add(hull, (thing, place) => (inside[place] ? hull.factors[thing] : 0));
    }
  }
  const counts = countsOf(model, shares);
  for (const { row, spans, alone, first } of rowKinds) {
    const bodies = hullCut(alone, counts.slice(first, first + alone.length), (values) =>
      rowFilling(spans, alone.length, values),
    );
    if (bodies)
      add(bodies, (thing, place) =>
        rowOf[place] === row ? bodies.factors[kindOfPair[thing * places + place] - first] : 0,
      );
  }
  // Sets of things take longest: they are asked when nothing else is broken.
  if (cuts.length > before) return true;
  for (const { row, room, limits: own, kindOf, known } of rowKinds) {
    const sets =
      room &&
      rowHull(
        { kindOf, room, limits: own },
        partsIn(model, shares, (place) => rowOf[place] === row),
        known,
      );
    if (sets) add(sets, (thing, place) => (rowOf[place] === row ? sets.factors[thing] : 0));
  }
  return cuts.length > before;
}

/** A cut of the hull of what is within a limit, over all things. */
function limitHull({ weight, most }: { weight: Float64Array; most: number }, part: Float64Array): HullCut | null {
  const some = [...part.keys()].filter((thing) => part[thing] > SHARE && weight[thing] > 0);
  if (some.length < 2 || some.length > MOST_IN_HULL) return null;
  const hull = budgetCut(
    Float64Array.from(some, (thing) => weight[thing]),
    new Int32Array(some.length).fill(1),
    most,
    Float64Array.from(some, (thing) => part[thing]),
  );
  if (!hull) return null;
  const factors = new Float64Array(part.length);
  some.forEach((thing, at) => {
    factors[thing] = hull.factors[at];
  });
  return { factors, limit: hull.limit };
}
