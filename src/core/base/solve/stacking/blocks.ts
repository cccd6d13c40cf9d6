import { middleOf, type StackProblem } from './problem';

/** One way round of a block: its members from the bottom, and what it costs to stand at each free position. */
export type Variant = {
  members: { item: number; offset: number }[];
  hotBottom: boolean;
  hotTop: boolean;
  /** By position on the axis of free units; Infinity where it cannot stand. Inner links and links to fixed items count in. */
  cost: Float64Array;
  /** For each block: sum over links to it of weight × how far the linked member's middle is above the block's bottom. */
  lever: Float64Array;
};

/** Items that must touch, as one: a single item, or a chain of them either way round. */
export type Block = { height: number; variants: Variant[] };

/** What stands fast between two positions of the axis of free units. */
export type Seam = { hotBottom: boolean; hotTop: boolean };

/**
 * The problem with what has one place only taken out: the units left over are laid end to end as an axis, and the
 * blocks are to be put on it in some order with free units between.
 */
export type Stacking = {
  problem: StackProblem;
  blocks: Block[];
  /** Items with one place only. */
  fixed: Map<number, number>;
  fixedCost: number;
  /** Real unit of each position of the axis. */
  realOf: number[];
  /** What stands fast below a position: index 0 below the first, the last above all. */
  seams: (Seam | null)[];
  /** Positions from here to the end of the same open stretch. */
  openFrom: number[];
  /** Free units when all blocks stand. */
  spare: number;
  /** Weight of the links between blocks. */
  weight: Float64Array[];
};

/** Chains of items that must touch; null when an item would have to touch more than two. */
function chainsOf({ items, touching }: StackProblem): number[][] | null {
  const near = items.map(() => new Set<number>());
  for (const [a, b] of touching) {
    if (a === b) return null;
    near[a]?.add(b);
    near[b]?.add(a);
  }
  if (near.some((set) => set.size > 2)) return null;
  const seen = new Set<number>();
  const chains: number[][] = [];
  const walk = (start: number) => {
    const chain: number[] = [];
    for (let at: number | undefined = start; at !== undefined; ) {
      seen.add(at);
      chain.push(at);
      at = [...(near[at] ?? [])].find((next) => !seen.has(next));
    }
    chains.push(chain);
  };
  items.forEach((_, at) => {
    if (!seen.has(at) && (near[at]?.size ?? 0) < 2) walk(at);
  });
  // What is left runs in a ring: three things cannot all touch one another.
  return seen.size === items.length ? chains : null;
}

type Order = { members: { item: number; offset: number; below: number }[]; height: number; places: number[] };

/** A chain laid from the bottom up, and the lowest units at which it can stand. */
function layChain({ items, units, walls = [] }: StackProblem, chain: readonly number[]): Order {
  const wall = new Set(walls);
  let height = 0;
  const members = chain.map((item) => {
    const below = height;
    height += items[item]?.height ?? 1;
    return { item, below, offset: middleOf(below, items[item]?.height ?? 1) };
  });
  const places: number[] = [];
  for (let bottom = 1; bottom + height - 1 <= units; bottom++) {
    const open = Array.from({ length: height }, (_, at) => bottom + at).every((unit) => !wall.has(unit));
    const fits = members.every(({ item, below }) =>
      Number.isFinite(items[item]?.costAt[bottom + below - 1] ?? Infinity),
    );
    if (open && fits) places.push(bottom);
  }
  return { members, height, places };
}

/** @returns null when no solution can exist: a ring of items that must touch, no place, or two fixed ones in one unit */
export function prepare(problem: StackProblem): Stacking | null {
  const { items, units, links, heatCost } = problem;
  const chains = chainsOf(problem);
  if (!chains) return null;
  const hot = (item: number | undefined) => items[item ?? -1]?.hot ?? false;
  const fixed = new Map<number, number>();
  const free: Order[][] = [];
  /** Who takes a unit for good: an item, or a wall. */
  const fast = new Map<number, number | null>((problem.walls ?? []).map((unit) => [unit, null]));
  for (const chain of chains) {
    const orders = [chain, ...(chain.length > 1 ? [[...chain].reverse()] : [])].map((one) => layChain(problem, one));
    const places = orders.flatMap((order) => order.places.map((bottom) => ({ order, bottom })));
    const [only, more] = places;
    if (!only) return null;
    if (more) {
      free.push(orders.filter((order) => order.places.length > 0));
      continue;
    }
    for (const { item, below } of only.order.members) {
      fixed.set(item, only.bottom + below);
      for (let unit = 0; unit < (items[item]?.height ?? 1); unit++) {
        if (fast.has(only.bottom + below + unit)) return null;
        fast.set(only.bottom + below + unit, item);
      }
    }
  }

  const realOf: number[] = [];
  const seams: (Seam | null)[] = [];
  let below: Seam | null = null;
  let fixedCost = 0;
  for (let unit = 1; unit <= units; unit++) {
    const here = fast.get(unit);
    if (here === undefined) {
      seams.push(below);
      realOf.push(unit);
      below = null;
      continue;
    }
    const isHot = here !== null && hot(here);
    const under = fast.get(unit - 1);
    if (here !== under && isHot && under !== undefined && under !== null && hot(under)) fixedCost += heatCost;
    below = { hotBottom: below ? below.hotBottom : isHot, hotTop: isHot };
  }
  seams.push(below);
  const openFrom = realOf.map(() => 0);
  for (let at = realOf.length - 1; at >= 0; at--) {
    openFrom[at] = 1 + (seams[at + 1] === null && at + 1 < realOf.length ? (openFrom[at + 1] ?? 0) : 0);
  }

  const fixedMiddle = (item: number) => middleOf(fixed.get(item) ?? 0, items[item]?.height ?? 1);
  for (const [item, bottom] of fixed) fixedCost += items[item]?.costAt[bottom - 1] ?? 0;
  const blockOf = new Map<number, number>();
  free.forEach(([order], block) => {
    for (const { item } of order?.members ?? []) blockOf.set(item, block);
  });
  const weight = free.map(() => new Float64Array(free.length));
  const outer = items.map(() => [] as { to: number; weight: number }[]);
  for (const link of links) {
    if (link.a === link.b) continue;
    const [a, b] = [blockOf.get(link.a), blockOf.get(link.b)];
    if (a === undefined && b === undefined) {
      fixedCost += link.weight * Math.abs(fixedMiddle(link.a) - fixedMiddle(link.b));
      continue;
    }
    outer[link.a]?.push({ to: link.b, weight: link.weight });
    outer[link.b]?.push({ to: link.a, weight: link.weight });
    if (a === undefined || b === undefined || a === b) continue;
    const [rowA, rowB] = [weight[a], weight[b]];
    if (rowA && rowB) {
      rowA[b] = (rowA[b] ?? 0) + link.weight;
      rowB[a] = (rowB[a] ?? 0) + link.weight;
    }
  }

  const variantOf = ({ members, height, places }: Order, block: number): Variant => {
    const lever = new Float64Array(free.length);
    const toFixed: { offset: number; middle: number; weight: number }[] = [];
    let inner = 0;
    members.forEach(({ item, offset }, at) => {
      for (const link of outer[item] ?? []) {
        const other = blockOf.get(link.to);
        if (other === undefined) toFixed.push({ offset, middle: fixedMiddle(link.to), weight: link.weight });
        else if (other !== block) lever[other] = (lever[other] ?? 0) + link.weight * offset;
        else {
          const mate = members.find((one) => one.item === link.to);
          // Each inner link is met from both its ends.
          inner += (link.weight * Math.abs(offset - (mate?.offset ?? offset))) / 2;
        }
      }
      if (hot(item) && hot(members[at + 1]?.item)) inner += heatCost;
    });
    const may = new Set(places);
    const cost = Float64Array.from(realOf, (bottom, at) => {
      if (!may.has(bottom) || (openFrom[at] ?? 0) < height) return Number.POSITIVE_INFINITY;
      const state = members.reduce((sum, one) => sum + (items[one.item]?.costAt[bottom + one.below - 1] ?? 0), 0);
      const linked = toFixed.reduce((sum, one) => sum + one.weight * Math.abs(bottom + one.offset - one.middle), 0);
      return state + linked + inner;
    });
    return { members, hotBottom: hot(members[0]?.item), hotTop: hot(members.at(-1)?.item), cost, lever };
  };
  const blocks = free.map((orders, block) => ({
    height: orders[0]?.height ?? 1,
    variants: orders.map((order) => variantOf(order, block)),
  }));
  const spare = realOf.length - blocks.reduce((sum, block) => sum + block.height, 0);
  if (spare < 0 || blocks.some(({ variants }) => !variants.some(({ cost }) => cost.some(Number.isFinite)))) return null;
  return { problem, blocks, fixed, fixedCost, realOf, seams, openFrom, spare, weight };
}

/** Lowest unit of every item, from the positions of the blocks and which way round they stand. */
export function bottomsOf(
  { problem, blocks, fixed, realOf }: Stacking,
  positions: readonly number[],
  ways: readonly number[],
): number[] {
  const bottoms = problem.items.map((_, item) => fixed.get(item) ?? 0);
  blocks.forEach((block, at) => {
    const base = realOf[positions[at] ?? 0] ?? 1;
    for (const { item, offset } of block.variants[ways[at] ?? 0]?.members ?? []) {
      bottoms[item] = base + offset - ((problem.items[item]?.height ?? 1) - 1) / 2;
    }
  });
  return bottoms;
}
