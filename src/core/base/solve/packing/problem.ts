/**
 * Things that each go into one place of many, or nowhere. Places lie in rows; what is in two places of a row must not
 * overlap there. All costs are whole numbers.
 */
export type PackingProblem = {
  things: number;
  places: number;
  /** Row-major things × places; infinite where a thing cannot go. */
  cost: Float64Array;
  /** What it costs that a thing goes nowhere. */
  leftOut: Float64Array;
  /** Width of a thing along the row of a place, things × places; the same in all places of a row. */
  width: Float64Array;
  /** Row of each place, and its middle there. */
  rowOf: Int32Array;
  middle: Float64Array;
  /** What already takes room in a row: from here to here. */
  taken: readonly { row: number; from: number; to: number }[];
  /** Sums that must be kept: of the weights of what is in these places. */
  limits: readonly { inside: Uint8Array; weight: Float64Array; most: number }[];
  /** Two things that should not be in places of one group: what it costs where they are. Group −1 is none. */
  apart: readonly { a: number; b: number; groupOf: Int32Array; price: number }[];
};

/** Bodies may touch. */
export const TOUCH = 1e-6;

/** Where each thing goes: a place, or −1. */
export type Packed = { placeOf: Int32Array; cost: number };

/** Whether two places are of one group. */
export const inOneGroup = (groupOf: Int32Array, at: number, there: number): boolean =>
  at >= 0 && there >= 0 && groupOf[at] >= 0 && groupOf[at] === groupOf[there];

export function packingCost(problem: PackingProblem, placeOf: Int32Array): number {
  let sum = 0;
  for (let thing = 0; thing < problem.things; thing++) {
    const place = placeOf[thing];
    sum += place < 0 ? problem.leftOut[thing] : problem.cost[thing * problem.places + place];
  }
  for (const { a, b, groupOf, price } of problem.apart) {
    if (inOneGroup(groupOf, placeOf[a], placeOf[b])) sum += price;
  }
  return sum;
}

export const widthAt = ({ width, places }: PackingProblem, thing: number, place: number): number =>
  width[thing * places + place];

/** Widths that things have in a row, narrowest first. */
export function widthsIn(problem: PackingProblem, row: number): number[] {
  const place = problem.rowOf.indexOf(row);
  const widths = Array.from({ length: problem.things }, (_, thing) => widthAt(problem, thing, place));
  return [...new Set(widths)].sort((a, b) => a - b);
}

/** Whether two things overlap in these places. */
export const overlaps = (problem: PackingProblem, one: number, at: number, other: number, there: number): boolean =>
  problem.rowOf[at] === problem.rowOf[there] &&
  (at === there ||
    Math.abs(problem.middle[at] - problem.middle[there]) <
      (widthAt(problem, one, at) + widthAt(problem, other, there)) / 2 - TOUCH);

/** Whether a thing can be in a place beside what is taken already. */
export const hasRoom = (problem: PackingProblem, thing: number, place: number): boolean =>
  bodyHasRoom(problem, widthAt(problem, thing, place), place);

/** Whether a body of a width can be in a place beside what is taken already. */
export function bodyHasRoom({ taken, rowOf, middle }: PackingProblem, width: number, place: number): boolean {
  const [from, to] = [middle[place] - width / 2, middle[place] + width / 2];
  return !taken.some((one) => one.row === rowOf[place] && one.from < to - TOUCH && one.to > from + TOUCH);
}

/** Whether a packing keeps everything that must be kept. */
export function isPacked(problem: PackingProblem, placeOf: Int32Array): boolean {
  const { things, places, cost, limits } = problem;
  for (let one = 0; one < things; one++) {
    const at = placeOf[one];
    if (at < 0) continue;
    if (!Number.isFinite(cost[one * places + at]) || !hasRoom(problem, one, at)) return false;
    for (let other = one + 1; other < things; other++)
      if (placeOf[other] >= 0 && overlaps(problem, one, at, other, placeOf[other])) return false;
  }
  return limits.every(({ inside, weight, most }) => {
    let sum = 0;
    for (let thing = 0; thing < things; thing++)
      if (placeOf[thing] >= 0 && inside[placeOf[thing]]) sum += weight[thing];
    return sum <= most + 1e-6;
  });
}
