import { type CuttingProblem, type Stock, scrapOf } from './problem';

/** Every way to fill two or three stocks, by the sums of all but the last: exact, and small while stocks are few. */
export function exhaustSums(problem: CuttingProblem, stocks: readonly Stock[]): number[] | null | undefined {
  const { pieces, reusable } = problem;
  const [first, second, third] = stocks.map((stock) => stock.capacity);
  if (first === undefined || stocks.length > 3) return undefined;
  const width = (second !== undefined && third !== undefined ? second : 0) + 1;
  const states = (first + 1) * width;
  if (states * pieces.length > 400_000_000 || states > 30_000_000) return undefined;
  const groups = new Map<number, number[]>();
  pieces.forEach(({ group }, at) => {
    groups.set(group, [...(groups.get(group) ?? []), at]);
  });
  // Layers of states reached after each group, and which placing of the group led there.
  const count = stocks.length;
  const placings = (members: number[]): number[][] => {
    const ways: number[][] = [[]];
    for (let at = 0; at < members.length; at++) {
      const next = ways.flatMap((way) =>
        Array.from({ length: count }, (_, stock) => stock)
          .filter((stock) => !way.includes(stock))
          .map((stock) => [...way, stock]),
      );
      ways.splice(0, ways.length, ...next);
    }
    return ways;
  };
  const list = [...groups.values()];
  const via: Int8Array[] = [];
  let frontier = new Int32Array([0]);
  for (const members of list) {
    const ways = placings(members);
    if (ways.length === 0 || ways.length > 120) return ways.length === 0 ? null : undefined;
    const came = new Int8Array(states).fill(-1);
    const next: number[] = [];
    const steps = ways.map((way) => {
      let [a, b] = [0, 0];
      way.forEach((stock, at) => {
        const length = pieces[members[at] ?? 0]?.length ?? 0;
        if (stock === 0) a += length;
        else if (stock === 1 && count === 3) b += length;
      });
      return [a, b] as const;
    });
    for (const state of frontier) {
      const [a, b] = [Math.floor(state / width), state % width];
      for (let way = 0; way < steps.length; way++) {
        const [da, db] = steps[way] ?? [0, 0];
        if (a + da > first || b + db >= width) continue;
        const to = (a + da) * width + b + db;
        if (came[to] !== -1) continue;
        came[to] = way;
        next.push(to);
      }
    }
    via.push(came);
    frontier = Int32Array.from(next);
  }
  const total = pieces.reduce((sum, piece) => sum + piece.length, 0);
  let [best, bestScrap] = [-1, Number.POSITIVE_INFINITY];
  for (const state of frontier) {
    const [a, b] = [Math.floor(state / width), state % width];
    const fills = count === 1 ? [total] : count === 2 ? [a, total - a] : [a, b, total - a - b];
    if (count === 1 && a !== total) continue;
    if (fills.some((fill, at) => fill > (stocks[at]?.capacity ?? 0))) continue;
    const scrap = fills.reduce(
      (sum, fill, at) => sum + (fill === 0 ? 0 : scrapOf((stocks[at]?.capacity ?? 0) - fill, reusable)),
      0,
    );
    if (scrap < bestScrap) [best, bestScrap] = [state, scrap];
  }
  if (best < 0) return null;
  const stockOf = new Array<number>(pieces.length).fill(-1);
  let state = best;
  for (let at = list.length - 1; at >= 0; at--) {
    const members = list[at] ?? [];
    const way = placings(members)[via[at]?.[state] ?? 0] ?? [];
    let [a, b] = [Math.floor(state / width), state % width];
    way.forEach((stock, one) => {
      const piece = members[one] ?? 0;
      stockOf[piece] = stocks[stock]?.id ?? 0;
      if (stock === 0) a -= pieces[piece]?.length ?? 0;
      else if (stock === 1 && count === 3) b -= pieces[piece]?.length ?? 0;
    });
    state = a * width + b;
  }
  return stockOf;
}

/** Up to so many pieces every way can be looked at. */
export const FEW_PIECES = 13;

/**
 * Few pieces: the least scrap for every set of pieces, stock by stock. Exact, and says also that nothing fits.
 * @returns null when these stocks cannot hold all pieces
 */
export function exhaustSets(problem: CuttingProblem, stocks: readonly Stock[]): number[] | null {
  const { pieces, reusable } = problem;
  const size = 2 ** pieces.length;
  const fill = new Float64Array(size);
  const clash = new Uint8Array(size);
  for (let set = 1; set < size; set++) {
    const low = 31 - Math.clz32(set & -set);
    const rest = set & (set - 1);
    fill[set] = (fill[rest] ?? 0) + (pieces[low]?.length ?? 0);
    clash[set] = clash[rest] ?? 0;
    for (let at = low + 1; at < pieces.length && !clash[set]; at++) {
      if ((rest >> at) & 1 && pieces[at]?.group === pieces[low]?.group) clash[set] = 1;
    }
  }
  let least = new Float64Array(size).fill(Number.POSITIVE_INFINITY);
  least[0] = 0;
  const taken: Int32Array[] = [];
  for (const { capacity } of stocks) {
    const next = Float64Array.from(least);
    const took = new Int32Array(size);
    for (let set = 1; set < size; set++) {
      for (let part = set; part > 0; part = (part - 1) & set) {
        if (clash[part] || (fill[part] ?? 0) > capacity) continue;
        const cost = (least[set ^ part] ?? 0) + scrapOf(capacity - (fill[part] ?? 0), reusable);
        if (cost < (next[set] ?? 0)) [next[set], took[set]] = [cost, part];
      }
    }
    taken.push(took);
    least = next;
  }
  if (least[size - 1] === Number.POSITIVE_INFINITY) return null;
  const stockOf = new Array<number>(pieces.length).fill(-1);
  let set = size - 1;
  for (let at = stocks.length - 1; at >= 0; at--) {
    const part = taken[at]?.[set] ?? 0;
    pieces.forEach((_, piece) => {
      if ((part >> piece) & 1) stockOf[piece] = stocks[at]?.id ?? -1;
    });
    set ^= part;
  }
  return stockOf;
}
