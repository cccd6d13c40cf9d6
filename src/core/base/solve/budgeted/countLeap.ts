import { type CountCut, costByCut } from './countProgram';
import { further } from './problem';
import { roomBeside, type WeightClasses } from './weightCounts';

/** Tries of a move in one leap. */
const MOVES = 30_000;
/** Price of a unit over a budget, as shares of what leaving a unit out costs at the cheapest, and heat in such units. */
const OVER = { low: 1.2, high: 24 };
const HEAT = { hot: 6, cold: 0.12 };
/** Moves at one heat. */
const STRETCH = 64;
/** Cuts that are looked at: the latest. */
const MOST_CUTS = 100;
/** How often rows come back for the one that goes, and two of them. */
const BACK = { some: 0.8, two: 0.3 };

type Means = {
  below: number;
  /** What leaving out costs for a unit of weight, at the cheapest. */
  overPrice: number;
  random: () => number;
  isKnown: (counts: Int32Array) => boolean;
};

/**
 * Counts far from others that by all cuts are cheaper than `below`, sought by annealing: rows of a weight move from place
 * to place, for others or not, and budgets may be overstepped at a price that grows.
 * @param start counts that cuts are known for
 * @returns the cheapest met within the budgets and not known yet, or null
 */
export function countLeap(
  classes: WeightClasses,
  budget: Float64Array,
  cuts: readonly CountCut[],
  start: Int32Array,
  { below, overPrice, random, isKnown }: Means,
): Int32Array | null {
  const { weights, places } = classes;
  const seen = cuts.slice(-MOST_CUTS);
  const many = seen.length;
  const slopes = new Float64Array(start.length * many);
  seen.forEach(({ slope }, cut) => {
    slope.forEach((one, cell) => {
      slopes[cell * many + cut] = one;
    });
  });
  const counts = Int32Array.from(start);
  const costs = Float64Array.from(seen, (cut) => costByCut(cut, counts));
  const next = new Float64Array(many);
  const beyond = roomBeside(classes, budget, counts).map((room) => -room);
  let excess = 0;
  let now = costs.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY);
  let least = below;
  let best: Int32Array | null = null;
  let heat = HEAT.hot * overPrice;
  let beyondPrice = OVER.low * overPrice;
  const cooling = (HEAT.cold / HEAT.hot) ** (STRETCH / MOVES);
  const rise = (OVER.high / OVER.low) ** (STRETCH / MOVES);
  for (let move = 0; move < MOVES; move++) {
    if (move % STRETCH === STRETCH - 1) {
      heat *= cooling;
      beyondPrice *= rise;
    }
    const from = Math.floor(random() * places);
    const to = (from + 1 + Math.floor(random() * (places - 1))) % places;
    const goes = Math.floor(random() * weights.length);
    const given = goes * places + from;
    if (counts[given] === 0) continue;
    const taken = goes * places + to;
    const chance = random();
    const comes = Math.floor(random() * weights.length);
    const back = chance >= BACK.some ? 0 : chance < BACK.two ? 2 : 1;
    const lost = comes * places + to;
    const got = comes * places + from;
    if (back > 0 && (comes === goes || counts[lost] < back)) continue;
    const more = weights[goes] - back * weights[comes];
    const outside = further(beyond[to], more) + further(beyond[from], -more);
    let then = Number.NEGATIVE_INFINITY;
    for (let cut = 0; cut < many; cut++) {
      const step = slopes[taken * many + cut] - slopes[given * many + cut];
      const stepBack = slopes[got * many + cut] - slopes[lost * many + cut];
      const cost = costs[cut] + step + back * stepBack;
      next[cut] = cost;
      if (cost > then) then = cost;
    }
    const change = then - now + outside * beyondPrice;
    if (change > 0 && random() >= Math.exp(-change / heat)) continue;
    counts[given] = counts[given] - 1;
    counts[taken] = counts[taken] + 1;
    counts[lost] = counts[lost] - back;
    counts[got] = counts[got] + back;
    costs.set(next);
    now = then;
    beyond[to] = beyond[to] + more;
    beyond[from] = beyond[from] - more;
    excess += outside;
    if (excess < 1e-7 && now < least && !isKnown(counts)) {
      least = now;
      best = Int32Array.from(counts);
    }
  }
  return best;
}
