/** A thing that takes whole units of the column, one above the other. */
export type StackItem = {
  height: number;
  /** Hot things that touch cost `heatCost`. */
  hot: boolean;
  /** What it costs to stand with its lowest unit at index + 1; Infinity where it cannot stand. */
  costAt: readonly number[];
};

/** Things to be stacked into a column of units, unit 1 lowest. Costs are points; less is better. */
export type StackProblem = {
  units: number;
  items: readonly StackItem[];
  /** Points for each unit between the middles of two items. */
  links: readonly { a: number; b: number; weight: number }[];
  /** Pairs that must touch. */
  touching: readonly (readonly [number, number])[];
  heatCost: number;
  /** Points saved for each unit of the largest free block. */
  freeReward: number;
  /** Units that nothing can take and that part free blocks: between two columns, or taken for good. */
  walls?: readonly number[];
};

export type StackResult = {
  /** Lowest unit of each item; null: none found, or there is none. */
  bottoms: number[] | null;
  cost: number;
  /** No solution costs less. */
  bound: number;
  proven: boolean;
};

/** Largest number of neighbouring units that nothing takes. */
export function largestFree(problem: StackProblem, bottoms: readonly number[]): { size: number; bottom: number } {
  const taken = new Set(problem.walls);
  problem.items.forEach(({ height }, at) => {
    for (let unit = 0; unit < height; unit++) taken.add((bottoms[at] ?? 0) + unit);
  });
  let best = { size: 0, bottom: 1 };
  let size = 0;
  for (let unit = 1; unit <= problem.units; unit++) {
    size = taken.has(unit) ? 0 : size + 1;
    if (size > best.size) best = { size, bottom: unit - size + 1 };
  }
  return best;
}

/** Middle of an item, in units: one unit high in unit 1 it is 1. */
export const middleOf = (bottom: number, height: number): number => bottom + (height - 1) / 2;

/** Points of a solution, term by term; `wrong` says what is broken, if anything. */
export function stackCost(problem: StackProblem, bottoms: readonly number[]) {
  const { items, links, touching, heatCost, freeReward, units } = problem;
  const middle = (at: number) => middleOf(bottoms[at] ?? 0, items[at]?.height ?? 1);
  const top = (at: number) => (bottoms[at] ?? 0) + (items[at]?.height ?? 1) - 1;
  const touch = (a: number, b: number) => top(a) + 1 === bottoms[b] || top(b) + 1 === bottoms[a];
  const wrong: string[] = [];
  const taken = new Set(problem.walls);
  let [places, hotPairs] = [0, 0];
  items.forEach((item, at) => {
    const bottom = bottoms[at] ?? 0;
    if (bottom < 1 || top(at) > units) wrong.push(`item ${at} stands outside`);
    for (let unit = bottom; unit <= top(at); unit++) {
      if (taken.has(unit)) wrong.push(`item ${at} takes unit ${unit}, which is taken`);
      taken.add(unit);
    }
    places += item.costAt[bottom - 1] ?? Number.POSITIVE_INFINITY;
    for (let other = 0; other < at; other++) if (item.hot && items[other]?.hot && touch(at, other)) hotPairs += 1;
  });
  for (const [a, b] of touching) if (!touch(a, b)) wrong.push(`items ${a} and ${b} do not touch`);
  if (places === Number.POSITIVE_INFINITY) wrong.push('an item stands where it cannot');
  const cords = links.reduce((sum, { a, b, weight }) => sum + weight * Math.abs(middle(a) - middle(b)), 0);
  const free = largestFree(problem, bottoms).size;
  return {
    places,
    cords,
    heat: heatCost * hotPairs,
    free,
    cost: places + cords + heatCost * hotPairs - freeReward * free,
    wrong,
  };
}
