import { isOver, type SearchLimits } from '../limits';
import type { Found } from './anneal';
import type { Stacking } from './blocks';
import { completionBounds } from './bounds';
import { setSums } from './setSums';

/**
 * What lies on top of a partial stack: the rewarded free block is still to come, is being left now, or lies below;
 * and whether the topmost thing is hot with nothing above it yet.
 */
const COLD = 0;
const HOT = 1;
const LEAVING = 2;
const LEFT_COLD = 3;
const LEFT_HOT = 4;
const WAYS_ON = 5;
/** Origins of a state: below this, variant × 3 + which of the states before; from it on, a free unit above such a one. */
const GAP = 250;
const MOST_VARIANTS = 80;
const MOST_BLOCKS = 30;
const NONE = Number.POSITIVE_INFINITY;

export type Swept = { found: Found | null; bound: number; finished: boolean };

/** Values of one layer: sets of the same number of blocks, each with a row for every free unit used and way on. */
class Layer {
  sets: number[] = [];
  values: Float64Array;
  origins: Uint8Array;
  private readonly slots = new Map<number, number>();
  constructor(
    private readonly row: number,
    rows: number,
  ) {
    this.values = new Float64Array(row * rows);
    this.origins = new Uint8Array(row * rows);
  }
  /** Where the row of a set begins. */
  at(set: number): number {
    const known = this.slots.get(set);
    if (known !== undefined) return known;
    const start = this.sets.length * this.row;
    if (start + this.row > this.values.length) {
      const values = new Float64Array(this.values.length * 2);
      values.set(this.values);
      this.values = values;
      const origins = new Uint8Array(this.origins.length * 2);
      origins.set(this.origins);
      this.origins = origins;
    }
    this.values.fill(NONE, start, start + this.row);
    this.sets.push(set);
    this.slots.set(set, start);
    return start;
  }
}

export type SweepOptions = {
  /** Cost of a solution that is known, without what stands fast. */
  under: number;
  /** Keep only so many sets of each size, the most promising ones: quick, but no proof. */
  width?: number;
  /** Values held for one size at most; beyond it, and when the time is up, the bound so far is given. */
  mostValues?: number;
};

/**
 * Exact: dynamic programming over the set of blocks placed so far, from the bottom up, and the free units among them.
 * What a set costs does not depend on its order, since a link costs by the height of its upper end less that of its
 * lower end. States that cannot come out below `under` are dropped.
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: one recursion over states in arrays that must not be copied
export function sweep(
  stacking: Stacking,
  { under, width = Number.POSITIVE_INFINITY, mostValues = 30_000_000 }: SweepOptions,
  limits: SearchLimits,
): Swept {
  const { blocks, seams, spare, realOf, weight, problem } = stacking;
  const { heatCost, freeReward } = problem;
  const count = blocks.length;
  const variants = blocks.flatMap(({ variants: ways, height }, block) =>
    ways.map((way, at) => ({ ...way, block, way: at, height })),
  );
  const row = (spare + 1) * WAYS_ON;
  const pull = setSums(weight, count);
  const totalPull = weight.map((of) => of.reduce((sum, one) => sum + one, 0));
  const levers = setSums(
    variants.map(({ lever }) => lever),
    count,
  );
  const totalLever = variants.map(({ lever }) => lever.reduce((sum, one) => sum + one, 0));
  const bounds = completionBounds(stacking);
  const toCome = new Float64Array(spare + 1);
  bounds.write(0, 0, toCome);
  /** What was dropped is no cheaper than `under`; what is open is no cheaper than this. */
  let bound = Math.min(under, ...toCome.map((least) => least - freeReward * spare));
  if (variants.length > MOST_VARIANTS || count > MOST_BLOCKS) return { found: null, bound, finished: false };
  const before = twinsBefore(stacking);

  const layers: Layer[] = [new Layer(row, 1)];
  const first = layers[0];
  first.at(0);
  first.values[seams[0]?.hotTop ? HOT : COLD] = 0;
  const heightOf = (set: number) => {
    let height = 0;
    for (let block = 0; block < count; block++) if ((set >>> block) & 1) height += blocks[block]?.height ?? 0;
    return height;
  };
  let complete = true;

  for (let size = 0; size <= count; size++) {
    const layer = layers[size];
    const next = new Layer(row, size < count ? Math.max(1, Math.min(layer.sets.length * 2, 4096)) : 1);
    let layerBound = NONE;
    const promises = new Float64Array(layer.sets.length).fill(NONE);
    const { values, origins } = layer;
    for (const [slot, set] of layer.sets.entries()) {
      const start = slot * row;
      if ((slot & 63) === 0 && isOver(limits)) return { found: null, bound, finished: false };
      const height = heightOf(set);
      bounds.write(set, height, toCome);
      // A free unit more, from the lowest number up.
      for (let used = 0; used <= spare; used++) {
        const here = start + used * WAYS_ON;
        const open = toCome[used] - under + 1e-7;
        for (let on = 0; on < WAYS_ON; on++) {
          const value = values[here + on];
          if (value === NONE) continue;
          const saved = on < LEFT_COLD ? freeReward * (spare - used) : 0;
          if (value + open - saved >= 0) {
            values[here + on] = NONE;
            continue;
          }
          promises[slot] = Math.min(promises[slot], value + toCome[used] - saved);
          if (used === spare) continue;
          const seam = seams[height + used + 1] ?? null;
          const step = (to: number, cost: number) => {
            const at =
              here +
              WAYS_ON +
              (seam ? (to < LEAVING ? (seam.hotTop ? HOT : COLD) : seam.hotTop ? LEFT_HOT : LEFT_COLD) : to);
            if (cost < values[at]) {
              values[at] = cost;
              origins[at] = GAP + on;
            }
          };
          if (on < LEAVING) step(COLD, value);
          if (on <= LEAVING) step(LEAVING, value - freeReward);
          else step(LEFT_COLD, value);
        }
      }
      layerBound = Math.min(layerBound, promises[slot]);
    }
    bound = Math.max(bound, Math.min(under, layerBound));
    if (size === count) break;
    const worst = layer.sets.length > width ? promises.slice().sort()[width] : NONE;
    if (worst < NONE) complete = false;
    for (const [slot, set] of layer.sets.entries()) {
      if (promises[slot] >= worst) continue;
      if ((slot & 63) === 0 && (isOver(limits) || next.sets.length * row > mostValues))
        return { found: null, bound, finished: false };
      const start = slot * row;
      const height = heightOf(set);
      for (let at = 0; at < variants.length; at++) {
        const variant = variants[at] as (typeof variants)[number];
        const { block } = variant;
        if ((set >>> block) & 1 || (before[block] & ~set) !== 0) continue;
        const slope = 2 * pull(block, set) - totalPull[block];
        const offset = 2 * levers(at, set) - totalLever[at];
        const { cost, height: tall, hotBottom, hotTop } = variant;
        let target = -1;
        for (let used = 0; used <= spare; used++) {
          const here = start + used * WAYS_ON;
          const cold = values[here + COLD];
          const hot = values[here + HOT];
          const leaving = values[here + LEAVING];
          const leftCold = values[here + LEFT_COLD];
          const leftHot = values[here + LEFT_HOT];
          const position = height + used;
          const state = cost[position];
          if (state === NONE) continue;
          const touch = hotBottom ? heatCost : 0;
          // Of the states below, the cheaper one goes on.
          const early = Math.min(cold, hot + touch);
          const late = Math.min(leaving, leftCold, leftHot + touch);
          if (early === NONE && late === NONE) continue;
          if (target < 0) target = next.at(set | (1 << block));
          const seam = seams[position + tall];
          let more = state + slope * realOf[position] + offset;
          if (seam && hotTop && seam.hotBottom) more += heatCost;
          const topHot = seam ? seam.hotTop : hotTop;
          const [nextValues, nextOrigins] = [next.values, next.origins];
          const there = target + used * WAYS_ON;
          if (early !== NONE) {
            const to = there + (topHot ? HOT : COLD);
            if (early + more < nextValues[to]) {
              nextValues[to] = early + more;
              nextOrigins[to] = at * 3 + (early === cold ? 0 : 1);
            }
          }
          if (late !== NONE) {
            const to = there + (topHot ? LEFT_HOT : LEFT_COLD);
            if (late + more < nextValues[to]) {
              nextValues[to] = late + more;
              nextOrigins[to] = at * 3 + (late === leaving ? 0 : late === leftCold ? 1 : 2);
            }
          }
        }
      }
    }
    // Values of a layer are not needed again, where its states came from is.
    layer.values = new Float64Array(0);
    layers.push(next);
  }
  return { found: readBack(layers, row, variants, spare, heightOf(2 ** count - 1)), bound, finished: complete };
}

/** For blocks that are alike in everything, the ones that go below: sets in other orders need not be looked at. */
function twinsBefore({ blocks, weight }: Stacking): Int32Array {
  const before = new Int32Array(blocks.length);
  const same = (a: ArrayLike<number>, b: ArrayLike<number>, but: readonly number[]) => {
    for (let at = 0; at < a.length; at++) if (!but.includes(at) && a[at] !== b[at]) return false;
    return true;
  };
  blocks.forEach((block, i) => {
    for (let j = 0; j < i; j++) {
      const other = blocks[j];
      const [a, b] = [block.variants[0], other?.variants[0]];
      if (!other || !a || !b || block.variants.length > 1 || other.variants.length > 1) continue;
      if (block.height !== other.height || a.hotBottom !== b.hotBottom || a.hotTop !== b.hotTop) continue;
      if (!same(a.cost, b.cost, []) || !same(weight[i] ?? [], weight[j] ?? [], [i, j])) continue;
      if (same(a.lever, b.lever, [i, j]) && weight[i]?.[j] === 0) before[i] = before[i] | (1 << j);
    }
  });
  return before;
}

function readBack(
  layers: Layer[],
  row: number,
  variants: { block: number; way: number; height: number }[],
  spare: number,
  height: number,
): Found | null {
  const last = layers[layers.length - 1];
  if (last.sets.length === 0) return null;
  const from = row - WAYS_ON;
  let on = 0;
  for (let way = 1; way < WAYS_ON; way++) if (last.values[from + way] < last.values[from + on]) on = way;
  const cost = last.values[from + on];
  if (cost === NONE) return null;
  const positions: number[] = [];
  const ways: number[] = [];
  let [used, size, set, below] = [spare, layers.length - 1, last.sets[0], height];
  while (size > 0 || used > 0) {
    const layer = layers[size];
    const origin = layer.origins[layer.at(set) + used * WAYS_ON + on];
    if (origin >= GAP) {
      used -= 1;
      on = origin - GAP;
      continue;
    }
    const variant = variants[Math.floor(origin / 3)] as { block: number; way: number; height: number };
    const late = on >= LEFT_COLD;
    on = late ? LEAVING + (origin % 3) : origin % 3;
    below -= variant.height;
    positions[variant.block] = below + used;
    ways[variant.block] = variant.way;
    set &= ~(1 << variant.block);
    size -= 1;
  }
  return { positions, ways, cost };
}
