import { isOver, type SearchLimits } from '../limits';
import { seededRandom } from '../random';
import { anneal } from './anneal';
import { freshBound, slackBound } from './bounds';
import { exhaustSets, exhaustSums, FEW_PIECES } from './exhaust';
import { fillOneByOne } from './fillOneByOne';
import { type CuttingProblem, type CuttingResult, cuttingCost } from './problem';

/** Sets of up to so many part stocks are listed one by one. */
const MOST_LISTED_PARTS = 12;
const TURNS = 4;
const FIRST_ATTEMPTS = 60;
/** Share of the time after which one stock more is opened when nothing was found. */
const TRY_FOR = 0.6;

/** Sets of part stocks that, with so many new ones, hold everything: the least possible scrap first, then the most used up. */
function partSets({ pieces, parts, fresh, reusable }: CuttingProblem, opened: number) {
  const total = pieces.reduce((sum, piece) => sum + piece.length, 0);
  const sets: { parts: number[]; bound: number }[] = [];
  const count = Math.min(parts.length, MOST_LISTED_PARTS);
  for (let mask = 0; mask < 2 ** count; mask++) {
    // Further part stocks are all in use.
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
export function cutStock(problem: CuttingProblem, limits: SearchLimits): CuttingResult {
  const { pieces, parts, fresh } = problem;
  const random = seededRandom(limits.seed ?? 1);
  const openedBound = freshBound(problem);
  const none = { stockOf: null, opened: 0, scrap: 0, openedBound, scrapBound: 0 };
  if (pieces.length === 0) return { ...none, stockOf: [], proven: true };
  const longest = Math.max(fresh, ...parts);
  if (pieces.some((piece) => piece.length > longest)) return { ...none, proven: true };

  const over = () => isOver(limits);
  let best: { stockOf: number[]; opened: number; scrap: number } | null = null;
  const better = (stockOf: number[]) => {
    const { opened, scrap } = cuttingCost(problem, stockOf);
    if (!best || opened < best.opened || (opened === best.opened && scrap < best.scrap))
      best = { stockOf, opened, scrap };
  };
  let provenBound = openedBound;
  for (let opened = openedBound; opened <= openedBound + pieces.length; opened++) {
    const sets = partSets(problem, opened);
    // Sets that were not listed could have less slack: nothing is proven by the ones that were.
    const allListed = parts.length <= MOST_LISTED_PARTS;
    const scrapBound = allListed ? (sets[0]?.bound ?? 0) : 0;
    const stocksOf = (set: { parts: number[] }) => [
      ...set.parts.map((at) => ({ id: at, capacity: parts[at] ?? 0 })),
      ...Array.from({ length: opened }, (_, at) => ({ id: parts.length + at, capacity: fresh })),
    ];
    const from = limits.now();
    const left = limits.untilMs - from;
    const past = (share: number) => over() || limits.now() - from >= left * share;
    let exhausted = allListed || pieces.length <= FEW_PIECES;
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
      const found = fillOneByOne(problem, order, random);
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
      const all = past(0.6) ? undefined : exhaustSums(problem, stocksOf(set));
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
      const made = best as { stockOf: number[]; opened: number; scrap: number };
      const proven = opened === provenBound && (made.scrap <= scrapBound || exhausted);
      return { ...made, openedBound: provenBound, scrapBound, proven };
    }
    if (exhausted) provenBound = opened + 1;
  }
  return { ...none, openedBound: provenBound, proven: false };
}
