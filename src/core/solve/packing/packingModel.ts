import { budgetCut } from '../budgeted/budgetCut';
import { hullCut } from '../hullCut';
import { coverOf } from './cover';
import { type PackingProblem, widthAt, widthsIn } from './problem';
import { rowFilling, spansOf } from './rowFilling';
import { type Column, descend, emptyState, mend, type ProgramState, type Row, withRows } from './rowProgram';
import { spotsOf } from './spots';

/** Hulls of limits take long where many things lie in them. */
const MOST_IN_HULL = 8;
/** Each cut makes every program after it larger. */
const MOST_CUTS = 60;

/** A part of all packings: open columns, rows that hold in it only, and the state of the part above it. */
export type Asked = { open: Uint8Array; rules: readonly number[]; from: ProgramState | null };
export type Solved = {
  state: ProgramState;
  /** Solved to its end; else only the bound holds. */
  whole: boolean;
  bound: number;
  shares: Float64Array;
  rounded: Int32Array;
};

/** The linear program of a packing: columns are pairs of thing and place first, then what stands for two things together. */
export function packingModel(problem: PackingProblem) {
  const { things, places, cost, leftOut, limits, apart, rowOf, middle } = problem;
  const pairs = things * places;
  const base = leftOut.reduce((sum, one) => sum + one, 0);
  const rows: Row[] = Array.from({ length: things }, () => ({ limit: 1 }));
  const columns: Column[] = Array.from({ length: pairs }, (_, pair) => ({
    cost: cost[pair] - leftOut[Math.floor(pair / places)],
    rows: [Math.floor(pair / places)],
    entries: [1],
  }));
  /** One more row over pairs: each so many times, in all at most so much. */
  function addRow(limit: number, factorOf: (thing: number, place: number) => number): number {
    const row = rows.length;
    rows.push({ limit });
    for (let pair = 0; pair < pairs; pair++) {
      const factor = factorOf(Math.floor(pair / places), pair % places);
      if (factor === 0) continue;
      columns[pair].rows.push(row);
      columns[pair].entries.push(factor);
    }
    return row;
  }
  for (const from of spotsOf(problem))
    addRow(1, (thing, place) => (widthAt(problem, thing, place) >= from[place] ? 1 : 0));
  for (const { inside, weight, most } of limits)
    addRow(Math.max(0, most), (thing, place) => (inside[place] ? weight[thing] : 0));
  for (const { a, b, groupOf, price } of apart)
    for (const group of new Set(groupOf)) {
      if (group < 0) continue;
      const row = addRow(1, (thing, place) => ((thing === a || thing === b) && groupOf[place] === group ? 1 : 0));
      columns.push({ cost: price, rows: [row], entries: [-1] });
    }
  const firstRows = rows.length;
  /** Rows that hold everywhere. */
  const cuts: number[] = [];

  const rowsInOrder = [...new Set(rowOf)];
  const fillings = rowsInOrder.map((row) => {
    const widths = widthsIn(problem, row);
    const spans = spansOf(problem, row, widths);
    const alone = widths.map((_, kind) => {
      const values = new Float64Array(widths.length);
      values[kind] = 1;
      return rowFilling(spans, widths.length, values).value;
    });
    return { row, widths, spans, alone };
  });
  /** Kinds of bodies, row after row: where those of a row begin, and which one a pair is of. */
  const firstKind = new Map<number, number>();
  let kinds = 0;
  for (const { row, widths } of fillings) {
    firstKind.set(row, kinds);
    kinds += widths.length;
  }
  const kindOf = (thing: number, place: number): number => {
    const { widths } = fillings[rowsInOrder.indexOf(rowOf[place])];
    return (firstKind.get(rowOf[place]) ?? 0) + widths.indexOf(widthAt(problem, thing, place));
  };
  const kindOfPair = Int32Array.from({ length: pairs }, (_, pair) => kindOf(Math.floor(pair / places), pair % places));
  const named = new Map<string, number>();
  const ruleNamed = (name: string, make: () => number): number => {
    const there = named.get(name) ?? make();
    named.set(name, there);
    return there;
  };
  const thingOf = (pair: number) => Math.floor(pair / places);

  function solve({ open, rules, from }: Asked): Solved | null {
    let state: ProgramState;
    let ended: ReturnType<typeof mend>;
    if (from === null) {
      state = emptyState(rows.slice(0, firstRows));
      ended = descend(columns, open, rows.length, state);
    } else {
      const there = new Set(from.rows);
      state = withRows(
        columns,
        rows,
        from,
        [...cuts, ...rules].filter((row) => !there.has(row)),
      );
      ended = mend(columns, open, rows.length, state);
    }
    if (ended === 'contradicted') return null;
    // The bound holds for any prices that are not above 0: each thing takes its cheapest pair over them, or none.
    const priceOf = new Float64Array(rows.length);
    let bound = base;
    state.rows.forEach((row, place) => {
      if (row < things) return;
      priceOf[row] = Math.min(0, state.prices[place]);
      bound += priceOf[row] * rows[row].limit;
    });
    const least = new Float64Array(things);
    for (let at = 0; at < columns.length; at++) {
      if (!open[at]) continue;
      const reduced = overPrices(columns[at], priceOf);
      if (at >= pairs) bound += Math.min(0, reduced);
      else least[thingOf(at)] = Math.min(least[thingOf(at)], reduced);
    }
    for (const one of least) bound += one;
    const shares = new Float64Array(columns.length);
    state.member.forEach((one, place) => {
      if (one >= 0) shares[one] = state.values[place];
    });
    const rounded = new Int32Array(things).fill(-1);
    const most = new Float64Array(things).fill(0.5);
    for (let pair = 0; pair < pairs; pair++)
      if (shares[pair] > most[thingOf(pair)]) {
        most[thingOf(pair)] = shares[pair];
        rounded[thingOf(pair)] = pair % places;
      }
    return { state, whole: ended === 'settled', bound, shares, rounded };
  }

  /** Cost of a column over the prices of all rows but those of the things. */
  function overPrices({ cost: own, rows: of, entries }: Column, priceOf: Float64Array): number {
    let reduced = own;
    for (let slot = 1; slot < of.length; slot++) reduced -= priceOf[of[slot]] * entries[slot];
    return of[0] >= things ? reduced - priceOf[of[0]] * entries[0] : reduced;
  }

  /** Shares of each thing in some places. */
  const partsIn = (shares: Float64Array, inside: (place: number) => boolean): Float64Array => {
    const part = new Float64Array(things);
    for (let pair = 0; pair < pairs; pair++)
      if (shares[pair] > 0 && inside(pair % places)) part[thingOf(pair)] = part[thingOf(pair)] + shares[pair];
    return part;
  };

  /** Cuts that the shares break: covers and hulls of limits, and how many bodies of which widths a row of places can hold. */
  function cut({ shares }: Solved): boolean {
    if (cuts.length >= MOST_CUTS) return false;
    const before = cuts.length;
    for (const { inside, weight, most } of limits) {
      const part = partsIn(shares, (place) => inside[place] === 1);
      const cover = coverOf(weight, most, part);
      if (cover) {
        cuts.push(addRow(cover.most, (thing, place) => (inside[place] && cover.holds[thing] ? 1 : 0)));
        continue;
      }
      const some = Array.from(part, (_, thing) => thing).filter((thing) => part[thing] > 1e-4 && weight[thing] > 0);
      if (some.length < 2 || some.length > MOST_IN_HULL) continue;
      const hull = budgetCut(
        Float64Array.from(some, (thing) => weight[thing]),
        new Int32Array(some.length).fill(1),
        most,
        Float64Array.from(some, (thing) => part[thing]),
      );
      if (!hull) continue;
      const unit = Math.max(...hull.factors);
      const factors = new Float64Array(things);
      some.forEach((thing, at) => {
        factors[thing] = hull.factors[at] / unit;
      });
      cuts.push(addRow(hull.limit / unit, (thing, place) => (inside[place] ? factors[thing] : 0)));
    }
    const counts = countsOf(shares);
    for (const { row, widths, spans, alone } of fillings) {
      const first = firstKind.get(row) ?? 0;
      const here = counts.slice(first, first + widths.length);
      const hull = hullCut(alone, here, (values) => rowFilling(spans, widths.length, values));
      if (!hull) continue;
      const unit = Math.max(...hull.factors);
      cuts.push(
        addRow(hull.limit / unit, (thing, place) =>
          rowOf[place] === row ? hull.factors[kindOfPair[thing * places + place] - first] / unit : 0,
        ),
      );
    }
    return cuts.length > before;
  }

  /** Bodies of each kind in each row of places. */
  function countsOf(shares: Float64Array): Float64Array {
    const counts = new Float64Array(kinds);
    for (let pair = 0; pair < pairs; pair++)
      if (shares[pair] !== 0) counts[kindOfPair[pair]] = counts[kindOfPair[pair]] + shares[pair];
    return counts;
  }

  /** Without the pairs that no better packing holds. */
  function close(open: Uint8Array, { state, bound }: Solved, isBetter: (bound: number) => boolean): Uint8Array {
    const priceOf = new Float64Array(rows.length);
    state.rows.forEach((row, place) => {
      if (row >= things) priceOf[row] = Math.min(0, state.prices[place]);
    });
    const reduced = columns.slice(0, pairs).map((column, at) => (open[at] ? overPrices(column, priceOf) : 0));
    const least = new Float64Array(things);
    reduced.forEach((one, pair) => {
      least[thingOf(pair)] = Math.min(least[thingOf(pair)], one);
    });
    return open.map((one, at) => (one && at < pairs && !isBetter(bound + reduced[at] - least[thingOf(at)]) ? 0 : one));
  }

  /** Two halves of a part, the better one last; null where nothing is broken. */
  function split({ open, rules, from }: Asked, { shares }: Solved): [Asked, Asked] | null {
    const counts = countsOf(shares);
    let [slot, off] = [-1, 1e-4];
    counts.forEach((count, at) => {
      const broken = Math.abs(count - Math.round(count));
      if (broken > off + 1e-9) [slot, off] = [at, broken];
    });
    if (slot >= 0) {
      const floor = Math.floor(counts[slot]);
      const countRule = (sign: 1 | -1, limit: number) =>
        ruleNamed(`${slot} ${sign} ${limit}`, () =>
          addRow(sign * limit, (thing, place) => (kindOfPair[thing * places + place] === slot ? sign : 0)),
        );
      const fewer: Asked = { open, rules: [...rules, countRule(1, floor)], from };
      const more: Asked = { open, rules: [...rules, countRule(-1, floor + 1)], from };
      return counts[slot] - floor >= 0.5 ? [fewer, more] : [more, fewer];
    }
    let [thing, most] = [-1, 1e-5];
    for (let pair = 0; pair < pairs; pair++) {
      const broken = Math.min(shares[pair], 1 - shares[pair]);
      if (broken > most + 1e-9) [thing, most] = [thingOf(pair), broken];
    }
    if (thing < 0) return null;
    const at = Array.from({ length: places }, (_, place) => ({ place, share: shares[thing * places + place] })).filter(
      ({ share }) => share > 1e-5,
    );
    /** In these places, or not in any of them: elsewhere or nowhere. */
    const parted = (inside: (place: number) => boolean, share: number): [Asked, Asked] => {
      const must = ruleNamed(`must ${thing}`, () => addRow(-1, (one) => (one === thing ? -1 : 0)));
      const here: Asked = {
        open: Uint8Array.from(open),
        rules: [...rules.filter((rule) => rule !== must), must],
        from,
      };
      const there: Asked = { open: Uint8Array.from(open), rules, from };
      for (let place = 0; place < places; place++) (inside(place) ? there : here).open[thing * places + place] = 0;
      return share >= 0.5 ? [there, here] : [here, there];
    };
    const inRow = new Map<number, number>();
    for (const { place, share } of at) inRow.set(rowOf[place], (inRow.get(rowOf[place]) ?? 0) + share);
    const partly = [...inRow].filter(([, share]) => share < 1 - 1e-5).sort((a, b) => b[1] - a[1]);
    if (partly.length > 0) {
      const [row, share] = partly[0];
      return parted((place) => rowOf[place] === row, share);
    }
    // In one row only: left and right of the middle of its shares.
    at.sort((a, b) => middle[a.place] - middle[b.place]);
    let [left, cutAt] = [0, 0];
    while (cutAt < at.length - 1 && left + at[cutAt].share < 0.5) left += at[cutAt++].share;
    cutAt = Math.max(0, Math.min(cutAt, at.length - 2));
    const edge = middle[at[cutAt].place];
    const share = at.slice(0, cutAt + 1).reduce((sum, one) => sum + one.share, 0);
    const row = rowOf[at[0].place];
    return parted((place) => rowOf[place] === row && middle[place] <= edge, share);
  }

  /** Open pairs, and what stands for two things together. */
  const openOf = (openPairs: Uint8Array): Uint8Array =>
    Uint8Array.from(columns, (_, at) => (at < pairs ? openPairs[at] : 1));

  return { solve, cut, close, split, openOf };
}
