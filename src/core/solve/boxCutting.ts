import { seededRandom } from './random';

/**
 * Pieces to be cut from stock: some part stocks, and as many new ones as are opened. All lengths are whole steps.
 * Pieces of one group come from different stocks.
 */
export type CuttingProblem = {
  pieces: { group: number; length: number }[];
  parts: number[];
  fresh: number;
  /** A rest of a used stock that is shorter than this is scrap; a longer one is kept. */
  reusable: number;
};

export type CuttingResult = {
  /** Stock of each piece: index into `parts`, or `parts.length` and on for new ones. Null: infeasible. */
  stockOf: number[] | null;
  opened: number;
  scrap: number;
  /** Lower bounds: no solution opens fewer, and none with that few has less scrap. */
  openedBound: number;
  scrapBound: number;
  proven: boolean;
};

export type CuttingLimits = {
  seed?: number;
  now: () => number;
  untilMs: number;
  signal?: { readonly aborted: boolean };
};

const scrapOf = (rest: number, reusable: number): number => (rest < reusable ? rest : 0);

/** Most pieces that fit into one stock, the shortest first. `sorted` ascends. */
function mostPieces(sorted: readonly number[], capacity: number): number {
  let [count, sum] = [0, 0];
  while (count < sorted.length && sum + (sorted[count] ?? 0) <= capacity) sum += sorted[count++] ?? 0;
  return count;
}

/**
 * Least number of new stocks by volume, by how many of the longer pieces fit into one, and by the largest group.
 */
function freshBound({ pieces, parts, fresh }: CuttingProblem): number {
  const sorted = pieces.map((piece) => piece.length).sort((a, b) => a - b);
  const total = sorted.reduce((sum, length) => sum + length, 0);
  const partTotal = parts.reduce((sum, length) => sum + length, 0);
  let bound = Math.max(0, Math.ceil((total - partTotal) / fresh));
  for (let from = 0; from < sorted.length; from++) {
    if (from > 0 && sorted[from] === sorted[from - 1]) continue;
    const longer = sorted.slice(from);
    const inParts = parts.reduce((sum, part) => sum + mostPieces(longer, part), 0);
    const inOne = mostPieces(longer, fresh);
    if (inOne > 0) bound = Math.max(bound, Math.ceil((longer.length - inParts) / inOne));
  }
  const groups = new Map<number, number[]>();
  for (const { group, length } of pieces) groups.set(group, [...(groups.get(group) ?? []), length]);
  for (const lengths of groups.values()) {
    const fitting = parts.filter((part) => lengths.some((length) => length <= part)).length;
    bound = Math.max(bound, lengths.length - fitting);
  }
  return bound;
}

/** Least scrap of stocks used to the last: their slack, unless it can lie together in a rest that is kept. */
const slackBound = (slack: number, reusable: number): number => (slack < reusable ? slack : 0);

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
function construct(
  problem: CuttingProblem,
  stocks: { id: number; capacity: number }[],
  random: () => number,
): number[] | null {
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

/** Every way to fill two or three stocks, by the sums of all but the last: exact, and small while stocks are few. */
function exhaust(problem: CuttingProblem, stocks: { id: number; capacity: number }[]): number[] | null | undefined {
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

const CYCLE = 120_000;
const OVERFULL = 8;

/**
 * Pieces moved and changed about between stocks, with overfull stocks allowed at a price, colder and colder and then
 * from the start again. Finds what filling stock by stock cannot: rests that are kept in several stocks.
 * @param start a solution, or null to begin with a random one
 * @param take called with each solution that is better than the ones before
 */
function anneal(
  { pieces, parts, fresh, reusable }: CuttingProblem,
  opened: number,
  start: readonly number[] | null,
  random: () => number,
  stop: () => boolean,
  take: (stockOf: number[], scrap: number) => void,
): void {
  const capacity = [...parts, ...new Array<number>(opened).fill(fresh)];
  const count = capacity.length;
  if (count < 2) return;
  const groups = Math.max(...pieces.map((piece) => piece.group)) + 1;
  const cost = (stock: number, fill: number): number => {
    const rest = (capacity[stock] ?? 0) - fill;
    if (fill === 0) return 0;
    return rest < 0 ? OVERFULL * -rest + reusable : scrapOf(rest, reusable);
  };
  let best = Number.POSITIVE_INFINITY;
  const any = (below: number) => Math.floor(random() * below);
  for (let cycle = 0; !stop(); cycle++) {
    const stockOf = new Int32Array(pieces.length).fill(-1);
    const fills = new Float64Array(count);
    // How many pieces of a group a stock holds: never more than one.
    const holds = new Uint8Array(count * groups);
    const put = (piece: number, stock: number, by: 1 | -1) => {
      const { group, length } = pieces[piece] ?? { group: 0, length: 0 };
      fills[stock] = (fills[stock] ?? 0) + by * length;
      holds[stock * groups + group] = by > 0 ? 1 : 0;
      if (by > 0) stockOf[piece] = stock;
    };
    const order = pieces.map((_, at) => at).sort((a, b) => (pieces[b]?.length ?? 0) - (pieces[a]?.length ?? 0));
    for (const piece of order) {
      const { group, length } = pieces[piece] ?? { group: 0, length: 0 };
      let to = start && cycle % 2 === 0 ? (start[piece] ?? -1) : -1;
      // Best fit, or the emptiest where nothing fits any more.
      for (let stock = 0; to < 0 && stock < count; stock++) {
        const at = (stock + cycle) % count;
        if (!holds[at * groups + group] && (fills[at] ?? 0) + length <= (capacity[at] ?? 0)) to = at;
      }
      for (let tries = 0; to < 0 && tries < 200; tries++) {
        const at = any(count);
        if (!holds[at * groups + group]) to = at;
      }
      if (to < 0) return;
      put(piece, to, 1);
    }
    let total = 0;
    for (let stock = 0; stock < count; stock++) total += cost(stock, fills[stock] ?? 0);
    const hot = Math.max(30, reusable / 3);
    for (let step = 0; step < CYCLE; step++) {
      if (step % 2048 === 0 && stop()) return;
      const temperature = hot * (0.4 / hot) ** (step / CYCLE);
      const piece = any(pieces.length);
      const { group, length } = pieces[piece] ?? { group: 0, length: 0 };
      const from = stockOf[piece] ?? 0;
      const other = random() < 0.35 ? -1 : any(pieces.length);
      const to = other < 0 ? any(count) : (stockOf[other] ?? 0);
      if (to === from) continue;
      const swap = other < 0 ? null : (pieces[other] ?? null);
      const same = swap?.group === group;
      if (!same && holds[to * groups + group]) continue;
      if (swap && !same && holds[from * groups + swap.group]) continue;
      const gain = swap ? swap.length : 0;
      const [a, b] = [fills[from] ?? 0, fills[to] ?? 0];
      const change = cost(from, a - length + gain) + cost(to, b + length - gain) - cost(from, a) - cost(to, b);
      if (change > 0 && random() >= Math.exp(-change / temperature)) continue;
      put(piece, from, -1);
      if (swap) put(other, to, -1);
      put(piece, to, 1);
      if (swap) put(other, from, 1);
      total += change;
      if (total >= best - 1e-9) continue;
      let fits = true;
      for (let stock = 0; stock < count && fits; stock++) fits = (fills[stock] ?? 0) <= (capacity[stock] ?? 0);
      if (!fits) continue;
      best = total;
      take([...stockOf], total);
    }
  }
}

const FEW_PIECES = 13;

/**
 * Few pieces: the least scrap for every set of pieces, stock by stock. Exact, and says also that nothing fits.
 * @returns null when these stocks cannot hold all pieces
 */
function exhaustSets(problem: CuttingProblem, stocks: { id: number; capacity: number }[]): number[] | null {
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

/** What a solution comes to: new stocks used, and scrap in used ones. */
export function cuttingCost({ pieces, parts, fresh, reusable }: CuttingProblem, stockOf: readonly number[]) {
  const used = new Map<number, number>();
  pieces.forEach(({ length }, at) => {
    const stock = stockOf[at] ?? -1;
    used.set(stock, (used.get(stock) ?? 0) + length);
  });
  let [opened, scrap] = [0, 0];
  for (const [stock, fill] of used) {
    if (stock >= parts.length) opened += 1;
    scrap += scrapOf((parts[stock] ?? fresh) - fill, reusable);
  }
  return { opened, scrap };
}

const MOST_SUBSETS = 4096;
const TURNS = 4;
const FIRST_ATTEMPTS = 60;
/** Share of the time after which one stock more is opened when nothing was found. */
const TRY_FOR = 0.6;

/** Sets of part stocks that, with so many new ones, hold everything: the least possible scrap first, then the most used up. */
function partSets({ pieces, parts, fresh, reusable }: CuttingProblem, opened: number) {
  const total = pieces.reduce((sum, piece) => sum + piece.length, 0);
  const sets: { parts: number[]; bound: number }[] = [];
  const count = Math.min(parts.length, 12);
  for (let mask = 0; mask < 2 ** count && sets.length < MOST_SUBSETS; mask++) {
    // Beyond a dozen the further part stocks are all in use.
    const chosen = parts.map((_, at) => at).filter((at) => at >= count || (mask >> at) & 1);
    const slack = opened * fresh + chosen.reduce((sum, at) => sum + (parts[at] ?? 0), 0) - total;
    if (slack >= 0) sets.push({ parts: chosen, bound: slackBound(slack, reusable) });
  }
  return sets.sort((a, b) => a.bound - b.bound || b.parts.length - a.parts.length);
}

/**
 * Fewest new stocks opened, then least scrap.
 *
 * The number opened is raised from its bound. For each set of part stocks the slack is known, so the least possible
 * scrap is too: the slack itself, or nothing where it can lie together in a rest that is kept. Sets are tried in that
 * order; up to three stocks every filling is looked at, beyond that stocks are filled one by one on reachable sums with
 * random choices, and what is still above the bound is annealed. A result that meets the bound is proven.
 *
 * @returns the best found until the time is up; `stockOf` null when a piece is longer than every stock
 */
export function cutStock(problem: CuttingProblem, limits: CuttingLimits): CuttingResult {
  const { pieces, parts, fresh } = problem;
  const random = seededRandom(limits.seed ?? 1);
  const openedBound = freshBound(problem);
  const none = { stockOf: null, opened: 0, scrap: 0, openedBound, scrapBound: 0 };
  if (pieces.length === 0) return { ...none, stockOf: [], proven: true };
  const longest = Math.max(fresh, ...parts);
  if (pieces.some((piece) => piece.length > longest)) return { ...none, proven: true };

  const over = () => limits.now() >= limits.untilMs || limits.signal?.aborted === true;
  let best: { stockOf: number[]; opened: number; scrap: number } | null = null;
  const better = (stockOf: number[]) => {
    const { opened, scrap } = cuttingCost(problem, stockOf);
    if (!best || opened < best.opened || (opened === best.opened && scrap < best.scrap))
      best = { stockOf, opened, scrap };
  };
  const result = (scrapBound: number, exhausted: boolean): CuttingResult | null =>
    best && {
      ...(best as { stockOf: number[]; opened: number; scrap: number }),
      openedBound,
      scrapBound,
      proven: best.opened === openedBound && (best.scrap <= scrapBound || exhausted),
    };

  let provenBound = openedBound;
  for (let opened = openedBound; opened <= openedBound + pieces.length; opened++) {
    const sets = partSets(problem, opened);
    const scrapBound = sets[0]?.bound ?? 0;
    const stocksOf = (set: { parts: number[] }) => [
      ...set.parts.map((at) => ({ id: at, capacity: parts[at] ?? 0 })),
      ...Array.from({ length: opened }, (_, at) => ({ id: parts.length + at, capacity: fresh })),
    ];
    const from = limits.now();
    const left = limits.untilMs - from;
    const past = (share: number) => over() || limits.now() - from >= left * share;
    let exhausted = true;
    let open = sets;
    const isBest = (set: { bound: number }) => best === null || set.bound < (best as { scrap: number }).scrap;
    const done = () => !open.some(isBest);
    const fillOnce = () => {
      const candidates = open.filter(isBest);
      const skewed = random() < 0.5 ? random() : -Math.log(1 - random()) * (2 / candidates.length);
      const set = candidates[Math.min(candidates.length - 1, Math.floor(skewed * candidates.length))];
      if (!set) return;
      // The last filled takes the rest: one that may be left long goes last, mostly a new one.
      const order = stocksOf(set)
        .map((stock) => ({ stock, rank: random() * (random() < 0.7 ? stock.capacity : fresh) }))
        .sort((x, y) => x.rank - y.rank)
        .map(({ stock }) => stock);
      const found = construct(problem, order, random);
      if (found) better(found);
    };
    const few = pieces.length <= FEW_PIECES;
    if (few) {
      const all = exhaustSets(problem, stocksOf({ parts: parts.map((_, at) => at) }));
      if (all) better(all);
    } else {
      for (let attempt = 0; attempt < FIRST_ATTEMPTS && !done() && !past(0.2); attempt++) fillOnce();
    }
    // What is left to be better in: every filling where that can be looked at, the others stay open.
    open = [];
    for (const set of few ? [] : sets) {
      if (!isBest(set)) break;
      const all = past(0.6) ? undefined : exhaust(problem, stocksOf(set));
      if (all) better(all);
      else if (all === undefined) {
        exhausted = false;
        open.push(set);
      }
    }
    // Stock by stock, and annealing, by turns.
    for (let turn = 1; !done() && !past(best === null ? TRY_FOR : 1); turn++) {
      while (!done() && !past((turn - 0.5) / TURNS)) fillOnce();
      const start = best === null ? null : (best as { stockOf: number[] }).stockOf;
      const stop = () => done() || past(turn / TURNS);
      anneal(problem, opened, start, random, stop, (stockOf) => better(stockOf));
    }
    if (best) {
      const proofOfOpened = opened === provenBound;
      const made = result(scrapBound, exhausted);
      if (made)
        return { ...made, openedBound: provenBound, proven: proofOfOpened && (made.scrap <= scrapBound || exhausted) };
    }
    if (exhausted) provenBound = opened + 1;
  }
  return { ...none, openedBound: provenBound, proven: false };
}
