import { assign } from '../assignment';
import { isOver, type SearchLimits } from '../limits';
import { seededRandom } from '../random';
import type { Basis } from './basisState';
import { budgetCuts } from './budgetCuts';
import { choiceMaking, isLarge } from './choices';
import { grainOf } from './grain';
import { kindsOf } from './kinds';
import { chooseSplit, type GainBook } from './lookAhead';
import { type BudgetedProblem, costOf, givenBy, isWithin, SLACK, type Within } from './problem';
import { type Prices, relaxation } from './relaxation';
import { roundShares } from './rounding';
import { budgetRules, type Rule } from './rules';
import { mostBroken, splitsOf } from './splits';

/** Called with each better choice as it is found. */
type OnBetter = (columnOf: Int32Array, cost: number) => void;
type Node = { bound: number; rules: Rule[]; closed: Uint8Array | null; basis: Basis | null };

/** So near to the next step of all sums, or as a share to the best choice, a bound is there. */
const CLOSE = { grain: 1e-5, share: 1e-7 };
/** Share of the time at first in which large choices wait for what is left out together. */
const WAIT_SHARE = 0.2;
/** How often a relaxation is cut anew by what budgets allow. */
const ROOT_TURNS = 12;
const NODE_TURNS = 1;

/**
 * Cheapest one-to-one assignment within the budgets of the groups, where rows may be left out at a price.
 *
 * Without a budget that binds this is one assignment problem. Else a branch and bound over counts: each node's
 * relaxation is a linear program that begins where the one above ended and is cut by what whole counts can fill of a
 * budget. What it leaves broken is split: what is left out together first, since it is most of the cost, then counts of
 * like rows, then single rows. Choices come from rounding the relaxations, from annealing, and from exchanging counts.
 *
 * @returns the best choice met before time was over, with a bound that holds
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: the rounds of one search share its bounds and its best so far
export function assignWithin(problem: BudgetedProblem, limits: SearchLimits, onBetter?: OnBetter): Within {
  const { rows, columns, cost, must, leftOut, budget } = problem;
  const never = dearest(problem);
  const out = leftOut.map((price, row) => (must[row] ? never : price));
  const free = assign(rows, columns, cost, out);
  if (free.cost >= never) return { columnOf: null, cost: never, bound: never, proven: true };
  const whole = (columnOf: Int32Array) => columnOf.every((column, row) => column >= 0 || !must[row]);
  let best: Int32Array | null = null;
  let least = never;
  const take = (columnOf: Int32Array): boolean => {
    if (!whole(columnOf) || !isWithin(problem, columnOf)) return false;
    const found = costOf(problem, columnOf);
    if (found < least - 1e-9) {
      least = found;
      best = Int32Array.from(columnOf);
      onBetter?.(best, least);
    }
    return true;
  };
  take(free.columnOf);
  if (best) return { columnOf: best, cost: least, bound: least, proven: true };
  take(lightened(problem, free.columnOf));

  const width = budget.length + 1;
  const grain = grainOf(problem);
  const lifted = (bound: number) => (grain > 0 ? Math.ceil(bound / grain - CLOSE.grain) * grain : bound);
  // As long as there is no choice nothing is as good: every one costs less than `never`, if by less than a step.
  const passes = (bound: number) =>
    lifted(bound) >= (best === null ? never : least - (grain > 0 ? grain / 2 : CLOSE.share * least));
  const isLate = () => isOver(limits);
  const began = limits.now();
  const waitsUntilMs = began + WAIT_SHARE * (limits.untilMs - began);
  const random = seededRandom(limits.seed ?? 1);
  const kinds = kindsOf(problem);
  const large = isLarge(problem);
  const makeChoices = choiceMaking(problem, {
    kinds,
    grain,
    out,
    limits,
    random,
    take,
    best: () => ({ columnOf: best, cost: least }),
  });
  const { relax, glance, narrow, guideOf } = relaxation(problem, kinds, out);
  // What the last node knew that all the others are under, by which pairs that cannot help any more are left out.
  let stem: { prices: Prices; rules: Rule[] } | null = null;
  let narrowedAt = least;
  const cuts = budgetCuts(problem, kinds);
  const book: GainBook = new Map();
  const waiting: Node[] = [
    {
      bound: free.cost,
      rules: budgetRules(problem, kinds),
      closed: null,
      basis: null,
    },
  ];
  // The lowest bound of what need not be looked into any more.
  let done = Number.POSITIVE_INFINITY;
  const leave = (bound: number) => {
    done = Math.min(done, bound);
  };
  let low = free.cost;
  for (let nodes = 0; ; nodes++) {
    waiting.sort((a, b) => b.bound - a.bound);
    const node = waiting.pop();
    if (!node || passes(node.bound)) {
      low = node?.bound ?? Number.POSITIVE_INFINITY;
      break;
    }
    low = Math.max(low, node.bound);
    if (isLate()) break;
    let rules = node.rules;
    if (stem && least < narrowedAt) {
      narrow(stem.prices, stem.rules, least - grain * (1 - CLOSE.grain));
      narrowedAt = least;
    }
    const asked = { closed: node.closed, passes, isOver: isLate };
    let relaxed = relax({ ...asked, rules, basis: node.basis });
    for (let turn = 0; turn < (nodes === 0 ? ROOT_TURNS : NODE_TURNS) && !relaxed.cut && !isLate(); turn++) {
      const more = cuts(relaxed.counts);
      if (more.length === 0) break;
      rules = [...rules, ...more];
      relaxed = relax({ ...asked, rules, basis: relaxed.basis });
    }
    if (relaxed.cut) {
      leave(relaxed.bound);
      continue;
    }
    const bound = Math.max(node.bound, relaxed.bound);
    const { prices } = relaxed;
    if (waiting.length === 0) {
      stem = { prices, rules };
      narrowedAt = never;
    }
    const splits = splitsOf(kinds, budget.length, relaxed.counts);
    // As long as it is open what is left out together, large choices made after the relaxation are far from the best:
    // they wait, but not for long.
    const early = large && splits[0]?.key === 'price' && best !== null && limits.now() < waitsUntilMs;
    const isEnough = () => passes(bound) || isLate();
    if (!early && !isEnough()) makeChoices(relaxed, () => guideOf(prices, rules), isEnough);
    if (passes(bound)) {
      leave(bound);
      continue;
    }
    if (isLate()) {
      low = Math.max(low, Math.min(bound, waiting.at(-1)?.bound ?? bound));
      break;
    }
    if (splits.length > 0) {
      const glanceAt = (rule: Rule, changes: number) =>
        glance({ ...asked, rules: [...rules, rule], basis: relaxed.basis }, changes);
      const halves = chooseSplit(splits, book, { bound, least, passes }, glanceAt, !large);
      for (const half of halves) {
        if (passes(half.bound)) {
          leave(half.bound);
          continue;
        }
        waiting.push({
          bound: half.bound,
          rules: [...rules, half.rule],
          closed: node.closed,
          basis: relaxed.basis,
        });
      }
      continue;
    }
    const cell = mostBroken(relaxed.shares);
    if (cell < 0) {
      // Every row is in one place: what the relaxation found is a choice.
      take(roundShares(problem, relaxed.shares, out, random, 0));
      leave(bound);
      continue;
    }
    for (const closed of outOrIn(node.closed ?? new Uint8Array(rows * width), cell, width))
      waiting.push({ rules, bound, closed, basis: relaxed.basis });
  }
  low = Math.min(low, done);
  return { columnOf: best, cost: least, bound: Math.min(lifted(low), least), proven: passes(low) };
}

/** A row kept out of a place, and kept in it. */
function outOrIn(closed: Uint8Array, cell: number, width: number): [Uint8Array, Uint8Array] {
  const [without, within] = [Uint8Array.from(closed), Uint8Array.from(closed)];
  without[cell] = 1;
  const first = cell - (cell % width);
  within.fill(1, first, first + width);
  within[cell] = closed[cell];
  return [without, within];
}

/** More than any choice can cost. */
function dearest({ rows, columns, cost, leftOut }: BudgetedProblem): number {
  let sum = 1;
  for (let row = 0; row < rows; row++) {
    let most = leftOut[row];
    for (let column = 0; column < columns; column++) {
      const one = cost[row * columns + column];
      if (Number.isFinite(one) && one > most) most = one;
    }
    sum += most;
  }
  return sum;
}

/** A choice with rows taken out of groups that are over their budgets, the cheapest for their weight first. */
function lightened(problem: BudgetedProblem, columnOf: Int32Array): Int32Array {
  const { weight, leftOut, must, groupOf, budget } = problem;
  const given = givenBy(problem, columnOf);
  const lighter = Int32Array.from(columnOf);
  const worth = (row: number) => leftOut[row] / weight[row];
  const heavy = [...lighter.keys()].filter((row) => weight[row] > 0 && !must[row]);
  for (const row of heavy.sort((a, b) => worth(a) - worth(b))) {
    const column = lighter[row];
    const group = column < 0 ? -1 : groupOf[column];
    if (group < 0 || given[group] <= budget[group] + SLACK) continue;
    given[group] = given[group] - weight[row];
    lighter[row] = -1;
  }
  return lighter;
}
