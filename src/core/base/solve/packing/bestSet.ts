import type { Room } from './rowRoom';

/** Things that may share a row: the width of each there, below 0 where it never goes there, and the limits. */
export type RowThings = {
  kindOf: Int32Array;
  room: Room;
  limits: readonly { weight: Float64Array; most: number }[];
};
export type BestSet = { counts: Int32Array; value: number; bound: number };

/** After so many steps the search gives its bound instead. */
const STEPS = 1000;
const PRICE_ROUNDS = 10;
/** A price above the best one tells more where little of the limit is left. */
const DEARER = 1.6;
const SLACK = 1e-6;
const TINY = 1e-9;

/**
 * The set of things that is worth most, fits side by side in a row, and is within the limits: depth first, with the bound
 * that so many of the rest bring at most beyond what they take of the limit that binds most (Fisher 1981).
 * @param values at least 0
 * @param first a thing that must be among them; its own value does not count
 * @returns null where not even that thing goes in; else a best set, and a value that no set surpasses
 */
export function bestSet({ kindOf, room, limits }: RowThings, values: Float64Array, first = -1): BestSet | null {
  const { holds, stride, bodies } = room;
  const left = Float64Array.from(limits, ({ most }) => most);
  let [counted, count] = [0, 0];
  const fits = (at: number): boolean => {
    for (let one = 0; one < left.length; one++) if (limits[one].weight[at] > left[one] + SLACK) return false;
    return holds[counted + stride[kindOf[at]]] === 1;
  };
  const put = (at: number, sign: 1 | -1) => {
    counted += sign * stride[kindOf[at]];
    count += sign;
    for (let one = 0; one < left.length; one++) left[one] = left[one] - sign * limits[one].weight[at];
  };
  if (first >= 0) {
    if (!fits(first)) return null;
    put(first, 1);
  }
  const wanted = [...values.keys()].filter((at) => values[at] > 0 && at !== first);
  const tight = tightest(wanted, limits, left);
  const weight = tight < 0 ? null : limits[tight].weight;
  const price = weight ? priceOf(wanted, values, weight, left[tight], bodies - count) : 0;
  const beyond = (at: number, by: number) => values[at] - by * (weight ? weight[at] : 0);
  const order = Int32Array.from(wanted.sort((a, b) => beyond(b, price) - beyond(a, price)));
  const prices = price > 0 ? [0, price, DEARER * price] : [0];
  const promises = prices.map((one) => mostBeyond(order, (at) => beyond(at, one), bodies));
  const hopeAt = (depth: number): number => {
    const at = depth * (bodies + 1) + bodies - count;
    let hope = promises[0][at];
    for (let one = 1; one < prices.length; one++)
      hope = Math.min(hope, promises[one][at] + prices[one] * Math.max(0, left[tight]));
    return hope;
  };
  const chosen = new Int32Array(values.length);
  let best = new Int32Array(values.length);
  let [most, missed, steps] = [0, 0, 0];
  const visit = (depth: number, value: number): void => {
    if (value > most) {
      most = value;
      best = Int32Array.from(chosen);
    }
    if (depth === order.length || count >= bodies) return;
    const hope = value + hopeAt(depth);
    if (hope <= most + 1e-12) return;
    steps += 1;
    if (steps > STEPS) {
      missed = Math.max(missed, hope);
      return;
    }
    const at = order[depth];
    if (fits(at)) {
      put(at, 1);
      chosen[at] = 1;
      visit(depth + 1, value + values[at]);
      chosen[at] = 0;
      put(at, -1);
    }
    visit(depth + 1, value);
  };
  visit(0, 0);
  return { counts: best, value: most, bound: Math.max(most, missed) };
}

/** The limit that all of them together would be furthest over; −1: they keep all. */
function tightest(wanted: readonly number[], limits: RowThings['limits'], left: Float64Array): number {
  let [tight, over] = [-1, 1];
  limits.forEach(({ weight }, one) => {
    const share = wanted.reduce((sum, at) => sum + weight[at], 0) / Math.max(TINY, left[one]);
    if (share > over) [tight, over] = [one, share];
  });
  return tight;
}

/** The most that so many of those from each place of an order on are worth: (place, how many), row-major. */
function mostBeyond(order: Int32Array, worth: (at: number) => number, bodies: number): Float64Array {
  const wide = bodies + 1;
  const table = new Float64Array((order.length + 1) * wide);
  const top = new Float64Array(bodies);
  for (let depth = order.length - 1; depth >= 0; depth--) {
    let value = Math.max(0, worth(order[depth]));
    let sum = 0;
    for (let slot = 0; slot < bodies; slot++) {
      if (value > top[slot]) [top[slot], value] = [value, top[slot]];
      sum += top[slot];
      table[depth * wide + slot + 1] = sum;
    }
  }
  return table;
}

/** What a unit of the limit is worth: the price at which the best so many promise least, which is convex in the price. */
function priceOf(
  wanted: readonly number[],
  values: Float64Array,
  weight: Float64Array,
  left: number,
  bodies: number,
): number {
  const promise = (price: number) => {
    const beyond = wanted.map((at) => Math.max(0, values[at] - price * weight[at])).sort((a, b) => b - a);
    return beyond.slice(0, bodies).reduce((sum, one) => sum + one, price * Math.max(0, left));
  };
  let [low, high] = [0, Math.max(0, ...wanted.map((at) => values[at] / Math.max(TINY, weight[at])))];
  for (let round = 0; round < PRICE_ROUNDS; round++) {
    const [one, other] = [low + (high - low) / 3, high - (high - low) / 3];
    if (promise(one) <= promise(other)) high = other;
    else low = one;
  }
  return (low + high) / 2;
}
