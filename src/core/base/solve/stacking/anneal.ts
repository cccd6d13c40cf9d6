import type { SearchLimits } from '../limits';
import { isOver } from '../limits';
import type { Stacking } from './blocks';

/** For each block out of place. Larger than any sum of real costs, small enough to add up exactly. */
const MISPLACED = 1e7;

export type Found = { positions: number[]; ways: number[]; cost: number };

/**
 * Simulated annealing over the order of the blocks, which way round they stand, and where the free units lie.
 * The work is counted in steps and not in time, so that the same seed gives the same result.
 *
 * @returns the best found, without the cost of what stands fast; null when nothing found fits
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a trial, its price and its taking back share counters that must not be copied
export function anneal(
  stacking: Stacking,
  random: () => number,
  steps: number,
  limits: SearchLimits,
  start?: Found,
): Found | null {
  const { blocks, realOf, seams, openFrom, spare, problem } = stacking;
  const { heatCost, freeReward } = problem;
  const count = blocks.length;
  const heights = Int32Array.from(blocks, (block) => block.height);
  const pairs: { i: number; j: number; weight: number }[] = [];
  stacking.weight.forEach((row, i) => {
    for (let j = 0; j < i; j++) if ((row[j] ?? 0) !== 0) pairs.push({ i, j, weight: row[j] ?? 0 });
  });
  const pairI = Int32Array.from(pairs, (pair) => pair.i);
  const pairJ = Int32Array.from(pairs, (pair) => pair.j);
  const pairWeight = Float64Array.from(pairs, (pair) => pair.weight);
  // Laid flat, since all of it is read at every step: a row for each way round of each block.
  const variants = blocks.flatMap((block) => block.variants);
  const firstWay = Int32Array.from(blocks, (_, at) =>
    blocks.slice(0, at).reduce((sum, block) => sum + block.variants.length, 0),
  );
  const length = realOf.length;
  const costs = new Float64Array(variants.length * length);
  const levers = new Float64Array(variants.length * count);
  variants.forEach(({ cost, lever }, at) => {
    costs.set(
      cost.map((one) => (one === Number.POSITIVE_INFINITY ? MISPLACED : one)),
      at * length,
    );
    levers.set(lever, at * count);
  });
  const hotBottom = Uint8Array.from(variants, (variant) => (variant.hotBottom ? 1 : 0));
  const hotTop = Uint8Array.from(variants, (variant) => (variant.hotTop ? 1 : 0));
  const real = Int32Array.from(realOf);
  /** 0: nothing stands fast here; else 4, and 1 for a hot lower end, 2 for a hot upper end. */
  const fast = Uint8Array.from(seams, (seam) => (seam ? 4 + (seam.hotBottom ? 1 : 0) + (seam.hotTop ? 2 : 0) : 0));
  const open = Int32Array.from(openFrom);

  let order = Int32Array.from(blocks, (_, at) => at);
  const gaps = new Int32Array(count + 1);
  let ways = new Int32Array(count);
  const positions = new Int32Array(count);
  const turning = blocks.flatMap((block, at) => (block.variants.length > 1 ? [at] : []));

  const evaluate = (): number => {
    let position = 0;
    let points = 0;
    let largest = 0;
    let topHot = fast[0] & 2;
    for (let at = 0; at <= count; at++) {
      let gap = gaps[at];
      while (gap > 0) {
        const stretch = Math.min(gap, open[position]);
        if (stretch > largest) largest = stretch;
        gap -= stretch;
        position += stretch;
        topHot = fast[position] & 2;
      }
      if (at === count) break;
      const block = order[at];
      const variant = firstWay[block] + ways[block];
      points += costs[variant * length + position] ?? MISPLACED;
      if (topHot && hotBottom[variant]) points += heatCost;
      topHot = hotTop[variant];
      positions[block] = position;
      position += heights[block];
      const seam = fast[position];
      if (seam) {
        if (topHot && seam & 1) points += heatCost;
        topHot = seam & 2;
      }
    }
    for (let pair = 0; pair < pairI.length; pair++) {
      const i = pairI[pair];
      const j = pairJ[pair];
      const apart = real[positions[i]] - real[positions[j]];
      const lever = levers[(firstWay[i] + ways[i]) * count + j] - levers[(firstWay[j] + ways[j]) * count + i];
      const link = pairWeight[pair] * apart + lever;
      points += apart > 0 ? link : -link;
    }
    return points - freeReward * largest;
  };

  const pick = (below: number) => Math.floor(random() * below);
  const moves: (() => void)[] = [
    () => {
      const [a, b] = [pick(count), pick(count)];
      const was = order[a];
      order[a] = order[b];
      order[b] = was;
    },
    () => {
      const [from, to] = [pick(count), pick(count)];
      const block = order[from];
      if (from < to) order.copyWithin(from, from + 1, to + 1);
      else order.copyWithin(to + 1, to, from);
      order[to] = block;
    },
    () => {
      const [a, b] = [pick(count), pick(count)];
      order.subarray(Math.min(a, b), Math.max(a, b) + 1).reverse();
    },
    () => {
      const from = pick(count + 1);
      const to = pick(count + 1);
      const units = random() < 0.5 ? gaps[from] : Math.min(gaps[from], 1 + pick(2));
      gaps[from] = gaps[from] - units;
      gaps[to] = gaps[to] + units;
    },
    () => {
      // A free block keeps its size and changes places with what is beside it.
      const at = pick(count);
      const was = gaps[at];
      gaps[at] = gaps[at + 1];
      gaps[at + 1] = was;
    },
    () => {
      const block = turning[pick(turning.length)];
      if (block !== undefined) ways[block] = 1 - ways[block];
    },
  ];

  if (start) {
    order = Int32Array.from(order).sort((a, b) => (start.positions[a] ?? 0) - (start.positions[b] ?? 0));
    ways = Int32Array.from(start.ways);
    let position = 0;
    order.forEach((block, at) => {
      gaps[at] = (start.positions[block] ?? 0) - position;
      position = (start.positions[block] ?? 0) + heights[block];
    });
    gaps[count] = realOf.length - position;
  } else {
    for (let at = count - 1; at > 0; at--) {
      const other = pick(at + 1);
      [order[at], order[other]] = [order[other], order[at]];
    }
    gaps[count] = spare;
  }

  let cost = evaluate();
  let best: Found | null = null;
  let bestCost = Number.POSITIVE_INFINITY;
  const keep = () => {
    if (cost >= bestCost || cost >= MISPLACED / 2) return;
    bestCost = cost;
    best = { positions: [...positions], ways: [...ways], cost };
  };
  keep();
  let [wasOrder, wasGaps, wasWays] = [order.slice(), gaps.slice(), ways.slice()];
  const attempt = () => {
    const draw = random();
    const move = draw < 0.26 ? 0 : draw < 0.56 ? 1 : draw < 0.68 ? 2 : draw < 0.86 ? 3 : draw < 0.95 ? 4 : 5;
    moves[move]?.();
    return evaluate();
  };
  const restore = () => {
    order.set(wasOrder);
    gaps.set(wasGaps);
    ways.set(wasWays);
  };
  const accept = () => {
    wasOrder.set(order);
    wasGaps.set(gaps);
    wasWays.set(ways);
  };
  // The first heat: what a usual step costs.
  let usual = 0;
  let counted = 0;
  for (let at = 0; at < 60; at++) {
    const change = Math.abs(attempt() - cost);
    if (change < MISPLACED / 2) {
      usual += change;
      counted += 1;
    }
    restore();
  }
  const hottest = Math.max(1e-3, (usual / Math.max(1, counted)) * (start ? 0.15 : 0.6));
  const coolest = hottest / 400;
  if (!start && cost >= MISPLACED / 2) [wasOrder, wasGaps, wasWays] = [order.slice(), gaps.slice(), ways.slice()];
  for (let step = 0; step < steps; step++) {
    if (step % 2048 === 0 && isOver(limits)) break;
    const heat = hottest * (coolest / hottest) ** (step / steps);
    const next = attempt();
    if (next <= cost || random() < Math.exp((cost - next) / heat)) {
      cost = next;
      accept();
      keep();
    } else restore();
  }
  return best;
}
