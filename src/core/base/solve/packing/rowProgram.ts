import { type BasisInverse, changeBasis, narrowerInverse, unitInverse, widerInverse } from '../basisInverse';

/** A column: its cost, and its entries in the rows. */
export type Column = { cost: number; rows: number[]; entries: number[] };
/** A row: at most so much. */
export type Row = { limit: number };

/** A basis of some of the rows, with its inverse. */
export type ProgramState = {
  /** Rows of the program, in the order of the inverse. */
  rows: readonly number[];
  inverse: BasisInverse;
  /** The column that each row holds; −1: its own slack or that of the row `slackOf`. */
  member: Int32Array;
  slackOf: Int32Array;
  values: Float64Array;
  prices: Float64Array;
};
export type Ended = 'settled' | 'contradicted' | 'stopped';

const TINY = 1e-9;
/** A pivot smaller than this is no pivot. */
const PIVOT = 1e-7;
/** A column that gains less a unit is left alone. */
const ENOUGH = 1e-7;
/** A share below this is nothing. */
const SHARE = 1e-7;

/** Nothing is in any column yet: every row has its own slack. No limit may be negative. */
export function emptyState(limits: readonly Row[]): ProgramState {
  const size = limits.length;
  return {
    rows: limits.map((_, at) => at),
    inverse: unitInverse(size),
    member: new Int32Array(size).fill(-1),
    slackOf: Int32Array.from(limits, (_, at) => at),
    values: Float64Array.from(limits, ({ limit }) => limit),
    prices: new Float64Array(size),
  };
}

/** Where each row of the program stands in a state; −1: it is not in it. */
function placesOf(state: ProgramState, rows: number): Int32Array {
  const at = new Int32Array(rows).fill(-1);
  state.rows.forEach((row, place) => {
    at[row] = place;
  });
  return at;
}

/** The inverse times a column, or times the slack of a place. */
function directTo(
  { inverse, values }: ProgramState,
  column: Column | null,
  slack: number,
  at: Int32Array,
  into: Float64Array,
) {
  const { size, rows: numbers } = inverse;
  into.fill(0, 0, values.length);
  const add = (place: number, entry: number) => {
    for (let row = 0, from = place; row < size; row++, from += size) {
      const number = numbers[from];
      if (number !== 0) into[row] = into[row] + number * entry;
    }
  };
  if (column === null) add(slack, 1);
  else
    for (let slot = 0; slot < column.rows.length; slot++) {
      const place = at[column.rows[slot]];
      if (place >= 0) add(place, column.entries[slot]);
    }
}

/** Cost of a column over the prices. */
function over({ cost, rows, entries }: Column, prices: Float64Array, at: Int32Array): number {
  let reduced = cost;
  for (let slot = 0; slot < rows.length; slot++) {
    const place = at[rows[slot]];
    if (place >= 0) reduced -= prices[place] * entries[slot];
  }
  return reduced;
}

function exchange(state: ProgramState, leaves: number, enters: number, slack: number, direction: Float64Array): void {
  const moved = state.values[leaves] / direction[leaves];
  for (let row = 0; row < state.values.length; row++) {
    if (row !== leaves && direction[row] !== 0) state.values[row] = state.values[row] - direction[row] * moved;
  }
  state.values[leaves] = moved;
  changeBasis(state.inverse, leaves, direction);
  state.member[leaves] = enters;
  state.slackOf[leaves] = enters < 0 ? slack : -1;
}

/**
 * From a state all of whose values are at least 0 to the least cost (Dantzig and Orchard-Hays 1954; after a while without
 * progress the first column that gains, Bland 1977).
 */
export function descend(columns: readonly Column[], open: Uint8Array, rows: number, state: ProgramState): Ended {
  const { size } = state.inverse;
  const at = placesOf(state, rows);
  const direction = new Float64Array(size);
  const isIn = new Uint8Array(columns.length);
  const slackIn = new Uint8Array(size);
  state.member.forEach((one, place) => {
    if (one >= 0) isIn[one] = 1;
    else slackIn[state.slackOf[place]] = 1;
  });
  let still = 0;
  for (let round = 0; round < 40 * size + 400; round++) {
    let [best, slack, gain] = [-1, -1, -ENOUGH];
    const first = still > size;
    for (let one = 0; one < columns.length; one++) {
      if (isIn[one] || !open[one]) continue;
      const reduced = over(columns[one], state.prices, at);
      if (reduced >= gain) continue;
      [best, gain] = [one, reduced];
      if (first) break;
    }
    if (best < 0 || !first)
      for (let place = 0; place < size; place++)
        if (!slackIn[place] && -state.prices[place] < gain) [best, slack, gain] = [-1, place, -state.prices[place]];
    if (best < 0 && slack < 0) return 'settled';
    directTo(state, slack < 0 ? columns[best] : null, slack, at, direction);
    let [leaves, least] = [-1, Number.POSITIVE_INFINITY];
    for (let row = 0; row < size; row++) {
      if (direction[row] <= TINY) continue;
      const ratio = state.values[row] / direction[row];
      if (ratio < least - 1e-12 || (ratio <= least + 1e-12 && leaves >= 0 && direction[row] > direction[leaves])) {
        least = Math.min(least, ratio);
        leaves = row;
      }
    }
    if (leaves < 0) return 'stopped';
    still = least <= TINY ? still + 1 : 0;
    const turn = gain / direction[leaves];
    const from = leaves * size;
    for (let place = 0; place < size; place++) {
      const number = state.inverse.rows[from + place];
      if (number !== 0) state.prices[place] = state.prices[place] + turn * number;
    }
    const out = state.member[leaves];
    if (out >= 0) isIn[out] = 0;
    else slackIn[state.slackOf[leaves]] = 0;
    if (slack < 0) isIn[best] = 1;
    else slackIn[slack] = 1;
    exchange(state, leaves, slack < 0 ? best : -1, slack, direction);
    for (let row = 0; row < size; row++) if (state.values[row] < 0 && state.values[row] > -TINY) state.values[row] = 0;
  }
  return 'stopped';
}

/** A state without those of its rows that have play: they bind nothing now. The first `kept` rows of the program stay. */
export function withoutIdleRows(known: ProgramState, kept: number): ProgramState {
  const idle = new Set<number>();
  const places: number[] = [];
  known.member.forEach((one, place) => {
    const own = known.slackOf[place];
    if (one < 0 && known.rows[own] >= kept) idle.add(own);
    else places.push(place);
  });
  if (idle.size === 0) return known;
  const rows = known.rows.map((_, row) => row).filter((row) => !idle.has(row));
  const now = new Map(rows.map((row, at) => [row, at]));
  return {
    rows: rows.map((row) => known.rows[row]),
    inverse: narrowerInverse(known.inverse, places, rows),
    member: Int32Array.from(places, (place) => known.member[place]),
    slackOf: Int32Array.from(places, (place) => now.get(known.slackOf[place]) ?? -1),
    values: Float64Array.from(places, (place) => known.values[place]),
    prices: Float64Array.from(rows, (row) => known.prices[row]),
  };
}

/** A copy of a state with more rows, each with its own slack. */
export function withRows(
  columns: readonly Column[],
  limits: readonly Row[],
  known: ProgramState,
  more: readonly number[],
): ProgramState {
  const narrow = known.inverse.size;
  const inverse = widerInverse(known.inverse, more.length);
  const { size, rows: numbers, squares } = inverse;
  const member = new Int32Array(size).fill(-1);
  member.set(known.member);
  const slackOf = new Int32Array(size).fill(-1);
  slackOf.set(known.slackOf);
  const values = new Float64Array(size);
  values.set(known.values);
  const prices = new Float64Array(size);
  prices.set(known.prices);
  more.forEach((row, count) => {
    const own = narrow + count;
    slackOf[own] = own;
    let value = limits[row].limit;
    for (let place = 0; place < narrow; place++) {
      const one = member[place];
      if (one < 0) continue;
      const slot = columns[one].rows.lastIndexOf(row);
      if (slot < 0) continue;
      const entry = columns[one].entries[slot];
      value -= entry * values[place];
      for (let to = 0; to < narrow; to++) {
        const number = numbers[place * size + to];
        if (number !== 0) numbers[own * size + to] = numbers[own * size + to] - entry * number;
      }
    }
    let square = 1;
    for (let to = 0; to < narrow; to++) square += numbers[own * size + to] ** 2;
    squares[own] = square;
    values[own] = value;
  });
  return { rows: [...known.rows, ...more], inverse, member, slackOf, values, prices };
}

/**
 * From a state whose prices are right, though rows are broken and closed columns still hold something, to the least cost
 * (dual simplex, what is furthest for how steep the way is leaves first).
 */
export function mend(columns: readonly Column[], open: Uint8Array, rows: number, state: ProgramState): Ended {
  const { size } = state.inverse;
  const at = placesOf(state, rows);
  const direction = new Float64Array(size);
  const step = new Float64Array(size);
  const isIn = new Uint8Array(columns.length);
  const slackIn = new Uint8Array(size);
  state.member.forEach((one, place) => {
    if (one >= 0) isIn[one] = 1;
    else slackIn[state.slackOf[place]] = 1;
  });
  const { list, starts, places, entries, slotOf } = entriesOf(columns, open, at);
  const reduced = Float64Array.from(list, (one) => over(columns[one], state.prices, at));
  const slopes = new Float64Array(list.length);
  for (let round = 0; round < size + 100; round++) {
    let [leaves, furthest] = [-1, 0];
    for (let row = 0; row < size; row++) {
      const value = state.values[row];
      const shut = state.member[row] >= 0 && !open[state.member[row]];
      if (value > -SHARE && !(shut && value > SHARE)) continue;
      const far = value ** 2 / Math.max(1e-4, state.inverse.squares[row]);
      if (far > furthest) [leaves, furthest] = [row, far];
    }
    if (leaves < 0) return 'settled';
    const sign = state.values[leaves] < 0 ? -1 : 1;
    for (let place = 0; place < size; place++) step[place] = sign * state.inverse.rows[leaves * size + place];
    let [enters, slack, least, steepest] = [-1, -1, Number.POSITIVE_INFINITY, 0];
    for (let slot = 0; slot < list.length; slot++) {
      if (isIn[list[slot]]) continue;
      let slope = 0;
      for (let at = starts[slot]; at < starts[slot + 1]; at++) slope += step[places[at]] * entries[at];
      slopes[slot] = slope;
      if (slope < PIVOT) continue;
      const ratio = Math.max(0, reduced[slot]) / slope;
      if (ratio > least + TINY || (ratio > least - TINY && slope <= steepest)) continue;
      [enters, slack, least, steepest] = [list[slot], -1, ratio, slope];
    }
    for (let place = 0; place < size; place++) {
      if (slackIn[place] || step[place] < PIVOT) continue;
      const ratio = Math.max(0, -state.prices[place]) / step[place];
      if (ratio > least + TINY || (ratio > least - TINY && step[place] <= steepest)) continue;
      [enters, slack, least, steepest] = [-1, place, ratio, step[place]];
    }
    if (enters < 0 && slack < 0) return Math.abs(state.values[leaves]) > 1e-5 ? 'contradicted' : 'stopped';
    directTo(state, slack < 0 ? columns[enters] : null, slack, at, direction);
    if (Math.abs(direction[leaves] - sign * steepest) > 1e-3 * steepest) return 'stopped';
    for (let place = 0; place < size; place++) state.prices[place] = state.prices[place] + least * step[place];
    for (let slot = 0; slot < list.length; slot++)
      if (!isIn[list[slot]]) reduced[slot] = reduced[slot] - least * slopes[slot];
    const out = state.member[leaves];
    if (out >= 0) {
      isIn[out] = 0;
      if (slotOf[out] >= 0) reduced[slotOf[out]] = -least * sign;
    } else slackIn[state.slackOf[leaves]] = 0;
    if (slack < 0) isIn[enters] = 1;
    else slackIn[slack] = 1;
    exchange(state, leaves, slack < 0 ? enters : -1, slack, direction);
  }
  return 'stopped';
}

/** Open columns, with their entries in the rows of a state only, one after the other. */
function entriesOf(columns: readonly Column[], open: Uint8Array, at: Int32Array) {
  const slotOf = new Int32Array(columns.length).fill(-1);
  let [count, filled] = [0, 0];
  for (let one = 0; one < columns.length; one++)
    if (open[one]) {
      slotOf[one] = count++;
      filled += columns[one].rows.length;
    }
  const list = new Int32Array(count);
  const starts = new Int32Array(count + 1);
  const places = new Int32Array(filled);
  const entries = new Float64Array(filled);
  let end = 0;
  for (let one = 0, slot = 0; one < columns.length; one++) {
    if (!open[one]) continue;
    const { rows, entries: own } = columns[one];
    for (let of = 0; of < rows.length; of++) {
      const place = at[rows[of]];
      if (place < 0) continue;
      places[end] = place;
      entries[end] = own[of];
      end += 1;
    }
    list[slot] = one;
    starts[++slot] = end;
  }
  return { list, slotOf, starts, places, entries };
}
