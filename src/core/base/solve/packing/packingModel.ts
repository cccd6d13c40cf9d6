import { seededRandom } from '../random';
import { type PackingProblem, widthAt } from './problem';
import { type RowKinds, rowKindsOf } from './rowKinds';
import type { Column, ProgramState, Row } from './rowProgram';
import { spotsOf } from './spots';

/** Share of a grain that costs are stirred by at most. */
const STIR = 2e-3;
/** The grain where there is none. */
const FINE = 1e-3;
/** A cost so many times the next lower one is a dear one. */
const DEAR = 4;

/** A part of all packings: open columns, rows that hold in it only, and the state of the part above it. */
export type Asked = { open: Uint8Array; rules: readonly number[]; from: ProgramState | null };

/** One more row over pairs: how many times each counts. */
type FactorOf = (thing: number, place: number) => number;

/** The linear program of a packing: columns are pairs of thing and place first, then what stands for two things together. */
export type PackingModel = {
  problem: PackingProblem;
  pairs: number;
  columns: Column[];
  /** Costs of the columns as they are; those in the columns are stirred, so that the program does not go round among many like ones. */
  exact: readonly number[];
  /** Rows of the things first, then what holds everywhere, up to `firstRows`; then cuts and rules as they come. */
  rows: Row[];
  firstRows: number;
  /** Cuts that hold everywhere. */
  cuts: number[];
  addRow: (limit: number, factorOf: FactorOf) => number;
  /** A row that is made once for its name. */
  rule: (name: string, limit: number, factorOf: FactorOf) => number;
  rowKinds: readonly RowKinds[];
  kinds: number;
  kindOfPair: Int32Array;
  /** What most of the cost is made of, and comes in whole numbers: how many of each price find a place, how many a dear one. */
  weighty: readonly ((pair: number) => boolean)[];
};

/** @param grain the step of all costs, or 0 */
export function packingModel(problem: PackingProblem, grain: number): PackingModel {
  const { things, places, cost, leftOut, limits, apart } = problem;
  const pairs = things * places;
  const thingOf = (pair: number) => Math.floor(pair / places);
  const random = seededRandom(1);
  const stir = STIR * (grain > 0 ? grain : FINE);
  const exact = Array.from({ length: pairs }, (_, pair) => cost[pair] - leftOut[thingOf(pair)]);
  const columns = exact.map(
    (one, pair): Column => ({ cost: one + stir * random(), rows: [thingOf(pair)], entries: [1] }),
  );
  const rows: Row[] = Array.from({ length: things }, () => ({ limit: 1 }));
  const addRow = (limit: number, factorOf: FactorOf): number => {
    const row = rows.length;
    rows.push({ limit });
    for (let thing = 0, pair = 0; thing < things; thing++)
      for (let place = 0; place < places; place++, pair++) {
        const factor = factorOf(thing, place);
        if (factor === 0) continue;
        columns[pair].rows.push(row);
        columns[pair].entries.push(factor);
      }
    return row;
  };
  for (const from of spotsOf(problem))
    addRow(1, (thing, place) => (widthAt(problem, thing, place) >= from[place] ? 1 : 0));
  for (const { inside, weight, most } of limits) {
    const unit = Math.max(Number.MIN_VALUE, ...weight);
    addRow(Math.max(0, most) / unit, (thing, place) => (inside[place] ? weight[thing] / unit : 0));
  }
  for (const { a, b, groupOf, price } of apart)
    for (const group of new Set(groupOf)) {
      if (group < 0) continue;
      const row = addRow(1, (thing, place) => ((thing === a || thing === b) && groupOf[place] === group ? 1 : 0));
      exact.push(price);
      columns.push({ cost: price, rows: [row], entries: [-1] });
    }
  const named = new Map<string, number>();
  const { rows: rowKinds, kinds, kindOfPair } = rowKindsOf(problem);
  return {
    problem,
    pairs,
    columns,
    exact,
    rows,
    firstRows: rows.length,
    cuts: [],
    addRow,
    rule: (name, limit, factorOf) => {
      const row = named.get(name) ?? addRow(limit, factorOf);
      named.set(name, row);
      return row;
    },
    rowKinds,
    kinds,
    kindOfPair,
    weighty: weightyOf(problem),
  };
}

function weightyOf({ places, cost, leftOut }: PackingProblem): PackingModel['weighty'] {
  const prices = [...new Set(leftOut)].sort((a, b) => b - a);
  const costs = [...new Set(cost)].filter(Number.isFinite).sort((a, b) => b - a);
  const dear = costs.filter((one, at) => costs[at + 1] > 0 && one > DEAR * costs[at + 1]);
  return [
    ...prices.map((price) => (pair: number) => leftOut[Math.floor(pair / places)] === price),
    ...dear.map((least) => (pair: number) => cost[pair] >= least && Number.isFinite(cost[pair])),
  ];
}

/** Shares of each thing in some places. */
export function partsIn({ problem, pairs }: PackingModel, shares: Float64Array, inside: (place: number) => boolean) {
  const { things, places } = problem;
  const part = new Float64Array(things);
  for (let pair = 0; pair < pairs; pair++) {
    if (shares[pair] <= 0 || !inside(pair % places)) continue;
    const thing = Math.floor(pair / places);
    part[thing] = part[thing] + shares[pair];
  }
  return part;
}

/** Bodies of each width in each row of places. */
export function countsOf({ pairs, kinds, kindOfPair }: PackingModel, shares: Float64Array): Float64Array {
  const counts = new Float64Array(kinds);
  for (let pair = 0; pair < pairs; pair++)
    if (shares[pair] !== 0) counts[kindOfPair[pair]] = counts[kindOfPair[pair]] + shares[pair];
  return counts;
}

/** Open pairs, and what stands for two things together. */
export const openColumns = ({ columns, pairs }: PackingModel, openPairs: Uint8Array): Uint8Array =>
  Uint8Array.from(columns, (_, at) => (at < pairs ? openPairs[at] : 1));
