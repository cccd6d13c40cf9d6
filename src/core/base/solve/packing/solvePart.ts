import type { Asked, PackingModel } from './packingModel';
import { descend, emptyState, mend, type ProgramState, withoutIdleRows, withRows } from './rowProgram';

/** A row is broken by more than this. */
const BROKEN = 1e-6;

export type Solved = {
  state: ProgramState;
  /** Solved to its end; else only the bound holds. */
  whole: boolean;
  bound: number;
  shares: Float64Array;
  rounded: Int32Array;
};

/**
 * The linear program of a part. Rows of the things are in it from the start; of all others those come in that are broken,
 * and go when they have play. The bound is worked out anew from its prices and the costs themselves, so that neither
 * rounding nor stirring lifts it.
 * @returns null where the part holds nothing
 */
export function solvePart(model: PackingModel, { open, rules, from }: Asked): Solved | null {
  const { problem, pairs, columns, rows } = model;
  const { things, places, leftOut } = problem;
  let state = from === null ? emptyState(rows.slice(0, things)) : withoutIdleRows(from, things);
  let ended = (from === null ? descend : mend)(columns, open, rows.length, state);
  while (ended === 'settled') {
    const broken = brokenRows(model, state, rules);
    if (broken.length === 0) break;
    state = withRows(columns, rows, state, broken);
    ended = mend(columns, open, rows.length, state);
  }
  if (ended === 'contradicted') return null;
  // It holds for any prices that are not above 0: each thing takes its cheapest pair over them, or none.
  const { priceOf, reduced, least } = overPrices(model, open, state);
  let bound = 0;
  for (const one of leftOut) bound += one;
  for (const row of state.rows) bound += priceOf[row] * rows[row].limit;
  for (let at = pairs; at < columns.length; at++) bound += Math.min(0, reduced[at]);
  for (const one of least) bound += one;
  const shares = new Float64Array(columns.length);
  state.member.forEach((one, place) => {
    if (one >= 0) shares[one] = state.values[place];
  });
  const rounded = new Int32Array(things).fill(-1);
  const most = new Float64Array(things).fill(0.5);
  for (let pair = 0; pair < pairs; pair++) {
    const thing = Math.floor(pair / places);
    if (shares[pair] <= most[thing]) continue;
    most[thing] = shares[pair];
    rounded[thing] = pair % places;
  }
  return { state, whole: ended === 'settled', bound, shares, rounded };
}

/** Without the pairs that no better packing holds. */
export function closePairs(
  model: PackingModel,
  open: Uint8Array,
  { state, bound }: Solved,
  isBetter: (bound: number) => boolean,
): Uint8Array {
  const { pairs, problem } = model;
  const { reduced, least } = overPrices(model, open, state);
  return open.map((one, at) =>
    one && at < pairs && !isBetter(bound + reduced[at] - least[Math.floor(at / problem.places)]) ? 0 : one,
  );
}

/** Costs of the open columns over the prices of all rows but those of the things, and the least of each thing, at most 0. */
function overPrices({ problem, pairs, columns, exact, rows }: PackingModel, open: Uint8Array, state: ProgramState) {
  const { things, places } = problem;
  const priceOf = new Float64Array(rows.length);
  state.rows.forEach((row, place) => {
    if (row >= things) priceOf[row] = Math.min(0, state.prices[place]);
  });
  const reduced = new Float64Array(columns.length);
  const least = new Float64Array(things);
  for (let at = 0; at < columns.length; at++) {
    if (!open[at]) continue;
    const { rows: of, entries } = columns[at];
    let sum = exact[at];
    for (let slot = 0; slot < of.length; slot++) sum -= priceOf[of[slot]] * entries[slot];
    reduced[at] = sum;
    if (at >= pairs) continue;
    const thing = Math.floor(at / places);
    least[thing] = Math.min(least[thing], sum);
  }
  return { priceOf, reduced, least };
}

/** Rows that a state does not have and its shares break. */
function brokenRows(
  { problem, columns, rows, firstRows, cuts }: PackingModel,
  state: ProgramState,
  rules: readonly number[],
): number[] {
  const sums = new Float64Array(rows.length);
  state.member.forEach((one, place) => {
    if (one < 0 || state.values[place] === 0) return;
    const { rows: of, entries } = columns[one];
    for (let slot = 0; slot < of.length; slot++) sums[of[slot]] = sums[of[slot]] + entries[slot] * state.values[place];
  });
  const there = new Set(state.rows);
  const isBroken = (row: number) => sums[row] > rows[row].limit + BROKEN && !there.has(row);
  const broken: number[] = [];
  for (let row = problem.things; row < firstRows; row++) if (isBroken(row)) broken.push(row);
  return [...broken, ...cuts.filter(isBroken), ...rules.filter(isBroken)];
}
