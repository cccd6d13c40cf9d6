import type { Stacking } from './blocks';
import { setSums } from './setSums';

export type Completion = {
  /**
   * Write, for each number of free units used so far, what the blocks that are not in the set cost at least, links to
   * the set counted by the heights of their upper ends. Without what free units save.
   */
  write: (set: number, height: number, into: Float64Array) => void;
};

/**
 * Least cost of what is still to be stacked. Three parts, each a bound of its own share:
 * - what grows evenly with height (mass, links to what stands below) is least when blocks stand without gaps, the
 *   ones with most for each unit lowest (Smith's rule);
 * - the rest of a place's cost is at least its least value from here up;
 * - of the links among them, two others at most can touch a block, two more can be one block away, and so on.
 */
export function completionBounds({ blocks, realOf, spare, weight }: Stacking): Completion {
  const count = blocks.length;
  const heights = blocks.map((block) => block.height);
  const least = Math.min(...heights);
  const length = realOf.length;
  const real = (position: number) => realOf[position] ?? (realOf.at(-1) ?? 0) + 1;

  /** Least cost of a block at each position, whichever way round. */
  const state = blocks.map(({ variants }) =>
    Array.from({ length }, (_, at) => Math.min(...variants.map(({ cost }) => cost[at] ?? Number.POSITIVE_INFINITY))),
  );
  const slopes = state.map((costs) => {
    let [slope, last] = [Number.POSITIVE_INFINITY, -1];
    costs.forEach((cost, at) => {
      if (!Number.isFinite(cost)) return;
      if (last >= 0) slope = Math.min(slope, (cost - (costs[last] ?? 0)) / (real(at) - real(last)));
      last = at;
    });
    return Number.isFinite(slope) ? Math.max(0, slope) : 0;
  });
  /** Least of what is not even, from a position up. */
  const rest = state.map((costs, block) => {
    const from = new Float64Array(length + 1).fill(Number.POSITIVE_INFINITY);
    for (let at = length - 1; at >= 0; at--) {
      from[at] = Math.min(from[at + 1], (costs[at] ?? 0) - (slopes[block] ?? 0) * real(at));
    }
    return from;
  });

  const pull = setSums(weight, count);
  const leastLever = blocks.map(({ variants }) =>
    Float64Array.from({ length: count }, (_, other) => Math.min(...variants.map(({ lever }) => lever[other] ?? 0))),
  );
  const lever = setSums(leastLever, count);

  /** Links from the heaviest down, and what a pair costs when it touches. */
  const touching = blocks.map((block, i) =>
    blocks.map((other, j) => {
      let best = Number.POSITIVE_INFINITY;
      for (const a of block.variants) {
        for (const b of other.variants) {
          const [fromA, fromB] = [a.lever[j] ?? 0, b.lever[i] ?? 0];
          const pairWeight = weight[i]?.[j] ?? 0;
          best = Math.min(best, pairWeight * block.height + fromB - fromA, pairWeight * other.height + fromA - fromB);
        }
      }
      return best;
    }),
  );
  const partners = blocks.map((_, i) =>
    blocks
      .map((__, j) => j)
      .filter((j) => j !== i && (weight[i]?.[j] ?? 0) > 0)
      .sort((a, b) => (weight[i]?.[b] ?? 0) - (weight[i]?.[a] ?? 0)),
  );
  const order = new Int32Array(count);
  const rates = new Float64Array(count);

  return {
    write: (set, height, into) => {
      let [left, even, inner, levers] = [0, 0, 0, 0];
      for (let block = 0; block < count; block++) {
        if ((set >>> block) & 1) continue;
        const rate = (slopes[block] + pull(block, set)) / heights[block];
        rates[block] = rate;
        even += rate * heights[block];
        levers += lever(block, set);
        let at = left++;
        for (; at > 0 && rates[order[at - 1]] < rate; at--) order[at] = order[at - 1];
        order[at] = block;
        let rank = 0;
        for (const other of partners[block]) {
          if ((set >>> other) & 1) continue;
          const away = weight[block][other] * least * (rank >> 1);
          inner += touching[block][other] / 2 + away / 2;
          rank += 1;
        }
      }
      let [packed, above] = [0, 0];
      for (let at = 0; at < left; at++) {
        const block = order[at];
        packed += rates[block] * heights[block] * above;
        above += heights[block];
      }
      for (let used = 0; used <= spare; used++) {
        let bound = inner + levers + packed + even * real(height + used);
        for (let at = 0; at < left; at++) bound += rest[order[at]][height + used];
        into[used] = bound;
      }
    },
  };
}
