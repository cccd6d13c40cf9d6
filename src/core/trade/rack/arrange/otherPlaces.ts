import { type StackProblem, stackCost } from '../../../base/solve/stacking/problem';

/**
 * For each item the cheapest stack in which it stands elsewhere, all others in the same order: put between two
 * others or among free units, what lies between moving along, or exchanged with one other.
 * @returns what more it costs than the stack given, with the stack; null where an item can stand nowhere else
 */
export function otherPlaces(
  problem: StackProblem,
  bottoms: readonly number[],
): ({ cost: number; bottoms: number[] } | null)[] {
  const { items, units, walls = [] } = problem;
  const now = stackCost(problem, bottoms).cost;
  const fast = new Set(walls);
  const tokens: (number | null)[] = [];
  const starts = new Map(bottoms.map((bottom, at) => [bottom, at]));
  for (let unit = 1; unit <= units; ) {
    const at = starts.get(unit);
    if (at !== undefined) {
      tokens.push(at);
      unit += items[at]?.height ?? 1;
    } else {
      if (!fast.has(unit)) tokens.push(null);
      unit += 1;
    }
  }
  const lay = (order: readonly (number | null)[]): number[] => {
    const made = [...bottoms];
    let unit = 1;
    for (const token of order) {
      while (fast.has(unit)) unit += 1;
      if (token !== null) made[token] = unit;
      unit += token === null ? 1 : (items[token]?.height ?? 1);
    }
    return made;
  };
  return items.map((item, at) => {
    let best: { cost: number; bottoms: number[] } | null = null;
    const judge = (made: number[]) => {
      if (made[at] === bottoms[at]) return;
      const { cost, wrong } = stackCost(problem, made);
      if (wrong.length > 0 || !Number.isFinite(cost) || (best && cost - now >= best.cost)) return;
      best = { cost: cost - now, bottoms: made };
    };
    const others = tokens.filter((token) => token !== at);
    for (let place = 0; place <= others.length; place++)
      judge(lay([...others.slice(0, place), at, ...others.slice(place)]));
    // Into free units without moving anything else.
    item.costAt.forEach((cost, index) => {
      if (Number.isFinite(cost)) judge(bottoms.map((bottom, one) => (one === at ? index + 1 : bottom)));
    });
    items.forEach((other, one) => {
      if (one === at || other.height !== item.height) return;
      judge(
        bottoms.map((bottom, index) =>
          index === at ? (bottoms[one] ?? bottom) : index === one ? (bottoms[at] ?? bottom) : bottom,
        ),
      );
    });
    return best;
  });
}
