import type { CuttingProblem, Stock } from './problem';

type Grouped = { pieces: number[]; lengths: number[] }[];

/**
 * One stock filled from groups, at most one piece a group and exactly one where `must` says so.
 * Reachable sums are kept by group, so that a filling can be read back in a random manner.
 */
function fillStock(
  groups: Grouped,
  must: readonly boolean[],
  capacity: number,
  wanted: (sums: Uint8Array) => number,
  random: () => number,
): number[] | null {
  const width = capacity + 1;
  const reach = new Uint8Array((groups.length + 1) * width);
  reach[0] = 1;
  for (let at = 0; at < groups.length; at++) {
    const [from, to] = [at * width, (at + 1) * width];
    if (!must[at]) reach.copyWithin(to, from, from + width);
    for (const length of groups[at]?.lengths ?? []) {
      for (let sum = length; sum < width; sum++) if (reach[from + sum - length]) reach[to + sum] = 1;
    }
  }
  let sum = wanted(reach.subarray(groups.length * width));
  if (sum < 0) return null;
  const chosen: number[] = [];
  for (let at = groups.length - 1; at >= 0; at--) {
    const from = at * width;
    const { pieces = [], lengths = [] } = groups[at] ?? {};
    const options: number[] = [];
    lengths.forEach((length, one) => {
      if (length <= sum && reach[from + sum - length]) options.push(one);
    });
    if (!must[at] && reach[from + sum]) options.push(-1);
    const one = options[Math.floor(random() * options.length)] ?? -1;
    if (one < 0) continue;
    chosen.push(pieces[one] ?? 0);
    sum -= lengths[one] ?? 0;
  }
  return chosen;
}

/** Which reachable sum to take: exactly full, else with the least scrap; a full-to-the-brim one when slack is scarce. */
function bestFill(
  sums: Uint8Array,
  capacity: number,
  reusable: number,
  mayWaste: number,
  random: () => number,
): number {
  if (sums[capacity]) return capacity;
  // Waste spread over the stocks cannot be more than there is slack; anywhere in the reach is as good as anywhere.
  let least = -1;
  for (let sum = capacity; sum >= 0; sum--) {
    if (!sums[sum] || sum === 0) continue;
    const rest = capacity - sum;
    if (rest > mayWaste && least >= 0) break;
    if (least < 0) least = sum;
    if (rest >= reusable && random() < 0.5) return sum;
  }
  return least;
}

/** One attempt to fill these stocks in this order; null when a piece is left over. */
export function fillOneByOne(problem: CuttingProblem, stocks: readonly Stock[], random: () => number): number[] | null {
  const { pieces, reusable } = problem;
  const stockOf = new Array<number>(pieces.length).fill(-1);
  const open = new Map<number, number[]>();
  pieces.forEach(({ group }, at) => {
    open.set(group, [...(open.get(group) ?? []), at]);
  });
  let left = pieces.reduce((sum, piece) => sum + piece.length, 0);
  let capacityLeft = stocks.reduce((sum, stock) => sum + stock.capacity, 0);
  for (let turn = 0; turn < stocks.length; turn++) {
    const stock = stocks[turn];
    if (!stock) break;
    const turnsLeft = stocks.length - turn;
    const entries = [...open.entries()].filter(([, members]) => members.length > 0);
    if (entries.some(([, members]) => members.length > turnsLeft)) return null;
    for (let at = entries.length - 1; at > 0; at--) {
      const other = Math.floor(random() * (at + 1));
      [entries[at], entries[other]] = [entries[other] as never, entries[at] as never];
    }
    const groups = entries.map(([, members]) => ({
      pieces: members,
      lengths: members.map((piece) => pieces[piece]?.length ?? 0),
    }));
    const must = entries.map(([, members]) => members.length === turnsLeft);
    const slack = capacityLeft - left;
    const last = turnsLeft === 1;
    const chosen = last
      ? left <= stock.capacity
        ? entries.flatMap(([, members]) => members)
        : null
      : fillStock(
          groups,
          must,
          stock.capacity,
          (sums) => bestFill(sums, stock.capacity, reusable, slack, random),
          random,
        );
    if (!chosen) return null;
    for (const piece of chosen) {
      stockOf[piece] = stock.id;
      const { group, length } = pieces[piece] ?? { group: -1, length: 0 };
      left -= length;
      open.set(
        group,
        (open.get(group) ?? []).filter((one) => one !== piece),
      );
    }
    capacityLeft -= stock.capacity;
  }
  return left === 0 ? stockOf : null;
}
