import { type HullCut, hullCut } from '../hullCut';
import { type BestSet, bestSet, type RowThings } from './bestSet';

/** Things with a share in a row: more take long. */
const MOST = 16;
/** A share below this is none. */
const SHARE = 1e-4;
/** So many sets of a row are remembered. */
const KNOWN = 40;
/** Factors below this share of the largest make a program shaky; without them the rest holds all the more. */
const LEAST = 0.01;

/**
 * An inequality that all sets of things that can share a row keep and the given shares do not, when there is one: found over
 * the things that have a share, then lifted to the others one after the other (Padberg 1975).
 * @param known sets that were met before; those met now come to them
 */
export function rowHull(things: RowThings, shares: Float64Array, known: Uint8Array[]): HullCut | null {
  const some = [...shares.keys()].filter((at) => shares[at] > SHARE);
  if (some.length < 2 || some.length > MOST || some.every((at) => shares[at] > 1 - SHARE)) return null;
  const of = (all: Float64Array) => Float64Array.from(some, (at) => all[at]);
  const own: RowThings = {
    kindOf: Int32Array.from(some, (at) => things.kindOf[at]),
    room: things.room,
    limits: things.limits.map(({ weight, most }) => ({ weight: of(weight), most })),
  };
  const cut = hullCut(
    new Float64Array(some.length).fill(1),
    of(shares),
    (values) => {
      const best = bestSet(own, values) as BestSet;
      const set = new Uint8Array(shares.length);
      some.forEach((at, slot) => {
        set[at] = best.counts[slot];
      });
      known.push(set);
      return best;
    },
    known.map((set) => some.map((at) => set[at])),
  );
  if (known.length > KNOWN) known.splice(0, known.length - KNOWN);
  if (!cut) return null;
  const factors = new Float64Array(shares.length);
  some.forEach((at, slot) => {
    factors[at] = cut.factors[slot];
  });
  for (const at of shares.keys()) {
    if (shares[at] > SHARE || things.kindOf[at] < 0) continue;
    const beside = bestSet(things, factors, at);
    factors[at] = beside ? Math.max(0, cut.limit - beside.bound) : cut.limit;
  }
  const least = LEAST * Math.max(...factors);
  return { factors: factors.map((one) => (one < least ? 0 : one)), limit: cut.limit };
}
