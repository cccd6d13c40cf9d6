import { type Basis, type BasisState, basisOf, beginning, extend, invert } from './basisState';
import { dualSimplex, MOST_CHANGES, TINY_SHARE } from './dualSimplex';
import type { Kinds } from './kinds';
import { lpModel, placeOf, rowOf } from './lpModel';
import { keepPairs } from './openPairs';
import type { BudgetedProblem } from './problem';
import { type Rule, sumOfRules } from './rules';

/** What columns and rules are priced at, none above 0. */
export type Prices = { columns: Float64Array; rules: Float64Array };

export type Relaxed = {
  /** No choice under these rules is cheaper; Infinity when there is none. */
  bound: number;
  /** Whether the bound passed the cutoff, so that shares and counts are empty. */
  cut: boolean;
  basis: Basis;
  prices: Prices;
  /** Share of each row in each group and left out: rows × (groups + 1). */
  shares: Float64Array;
  counts: Float64Array;
};

export type Asked = {
  rules: readonly Rule[];
  /** 1 for each row and group (or left out) that are kept apart; null for none. */
  closed: Uint8Array | null;
  /** Where to begin; null for the beginning. */
  basis: Basis | null;
  /** Whether a bound is as good as the best choice known. */
  passes: (bound: number) => boolean;
  isOver: () => boolean;
};

export type Relaxation = {
  relax: (asked: Asked) => Relaxed;
  /** The bound with so many changes of the basis at most. */
  glance: (asked: Asked, changes: number) => number;
  /** Close for good what no choice under these rules and cheaper than `below` has in it, as their prices tell. */
  narrow: (prices: Prices, rules: readonly Rule[], below: number) => void;
  /** Costs that speak for groups whose budgets have room and against the others, next to the one with most room. */
  guideOf: (prices: Prices, rules: readonly Rule[]) => Float64Array;
};

/** Numbers in the inverses that are kept for what may be asked next. */
const KEPT_NUMBERS = 1_500_000;

/**
 * The problem with rows in shares: the linear program of the assignment, with its budgets and further rules as rows of
 * it. Each solution begins where one before ended. Bounds are worked out from the prices and the costs themselves, so
 * that they hold however the arithmetic was rounded.
 * @param out price of leaving a row out
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: prices, path and bound are of one round
export function relaxation(problem: BudgetedProblem, kinds: Kinds, out: Float64Array): Relaxation {
  const { rows, columns, cost, groupOf, budget } = problem;
  const { kindOf, weights } = kinds;
  const groups = budget.length;
  const width = groups + 1;
  const model = lpModel(problem, kinds, out);
  const { pairs, never, firstOut, firstSlack, cellCount } = model;
  const { columnAt, from, until } = pairs;

  const addedBy = (prices: Prices, rules: readonly Rule[]): Float64Array => {
    const added = new Float64Array(cellCount);
    sumOfRules(rules, prices.rules, 0, added);
    return added;
  };
  /** The bound of any prices: each row takes its cheapest, which is told too. */
  const boundOf = (prices: Prices, rules: readonly Rule[], closed: Uint8Array | null, paid?: Float64Array): number => {
    const added = addedBy(prices, rules);
    let sum = 0;
    for (let column = 0; column < columns; column++) sum += prices.columns[column];
    for (let at = 0; at < rules.length; at++) sum += prices.rules[at] * rules[at].limit;
    for (let row = 0; row < rows; row++) {
      const first = kindOf[row] * width;
      let least = Number.POSITIVE_INFINITY;
      for (let group = 0; group < groups; group++) {
        if (closed?.[row * width + group]) continue;
        const more = added[first + group];
        const end = until[row * groups + group];
        for (let slot = from[row * groups + group]; slot < end; slot++) {
          const column = columnAt[slot];
          const one = cost[row * columns + column] - prices.columns[column] - more;
          if (one < least) least = one;
        }
      }
      if (!never[firstOut + row] && !closed?.[row * width + groups])
        least = Math.min(least, out[row] - added[first + groups]);
      if (paid) paid[row] = least;
      sum += least;
    }
    return sum;
  };
  const pricesOf = ({ price }: BasisState): Prices => {
    const below = price.slice(rows);
    for (let at = 0; at < below.length; at++) if (below[at] > 0) below[at] = 0;
    return { columns: below.subarray(0, columns), rules: below.subarray(columns) };
  };

  // The latest states by their bases, and where the inverses of those no longer kept were: new ones are written there.
  const kept = new Map<Basis, BasisState>();
  const keptAtMost = Math.max(2, Math.floor(KEPT_NUMBERS / (rows + columns) ** 2));
  const spare: Float64Array[] = [];
  const keep = (basis: Basis, state: BasisState) => {
    kept.set(basis, state);
    const oldest = kept.keys().next();
    if (kept.size <= keptAtMost || oldest.done) return;
    spare.push((kept.get(oldest.value) as BasisState).inverse.rows);
    kept.delete(oldest.value);
  };
  const stateOf = ({ rules, basis }: Asked): BasisState => {
    const known = basis && kept.get(basis);
    if (known?.rules.every((rule, at) => rules[at] === rule)) return extend(model, known, rules, spare.pop());
    return (basis && invert(model, rules, basis)) ?? (invert(model, rules, beginning(model)) as BasisState);
  };
  /** As far as the program goes, and its bound: Infinity when nothing keeps the rules. */
  const settle = (asked: Asked, state: BasisState, most: number): { bound: number; cut: boolean } => {
    const { rules, closed, passes, isOver } = asked;
    const boundNow = () => boundOf(pricesOf(state), rules, closed);
    // The value is a little above the bound of its prices: only that one counts.
    let passed = Number.NaN;
    const isEnough = (value: number) => {
      if (!passes(value)) return false;
      passed = boundNow();
      return passes(passed);
    };
    const course = { closed, passes: isEnough, isOver, most };
    let outcome = dualSimplex(model, state, course);
    if (outcome === 'lost') {
      Object.assign(state, invert(model, rules, basisOf(model, state)) ?? invert(model, rules, beginning(model)));
      outcome = dualSimplex(model, state, course);
    }
    if (outcome === 'contradicted') return { bound: Number.POSITIVE_INFINITY, cut: true };
    if (outcome === 'passed') return { bound: passed, cut: true };
    const bound = boundNow();
    return { bound, cut: passes(bound) };
  };

  return {
    relax: (asked) => {
      const state = stateOf(asked);
      const { bound, cut } = settle(asked, state, MOST_CHANGES * state.member.length);
      const { member, values } = state;
      const shares = new Float64Array(rows * width);
      const counts = new Float64Array(cellCount);
      for (let at = 0; at < member.length && !cut; at++) {
        const one = member[at];
        const share = Math.min(1, values[at]);
        if (one >= firstSlack || share < TINY_SHARE) continue;
        const row = rowOf(model, one);
        const place = placeOf(model, one);
        shares[row * width + place] = shares[row * width + place] + share;
        const cell = kindOf[row] * width + place;
        counts[cell] = counts[cell] + share;
      }
      const basis = basisOf(model, state);
      if (cut) spare.push(state.inverse.rows);
      else keep(basis, state);
      return { bound, cut, basis, prices: pricesOf(state), shares, counts };
    },
    glance: (asked, changes) => {
      const state = stateOf(asked);
      const { bound } = settle(asked, state, changes);
      spare.push(state.inverse.rows);
      return bound;
    },
    narrow: (prices, rules, below) => {
      const paid = new Float64Array(rows);
      const room = below - boundOf(prices, rules, null, paid);
      const added = addedBy(prices, rules);
      const isShut = (row: number, place: number, own: number) =>
        own - added[kindOf[row] * width + place] - paid[row] > room;
      keepPairs(pairs, (segment, slot) => {
        const row = Math.floor(segment / groups);
        const column = columnAt[slot];
        const own = cost[row * columns + column] - prices.columns[column];
        const shut = isShut(row, segment % groups, own);
        if (shut) never[row * columns + column] = 1;
        return !shut;
      });
      for (let row = 0; row < rows; row++) if (isShut(row, groups, out[row])) never[firstOut + row] = 1;
    },
    guideOf: (prices, rules) => {
      const added = addedBy(prices, rules);
      const guide = new Float64Array(cost);
      const most = weights.map((_, kind) => Math.max(...added.subarray(kind * width, kind * width + groups)));
      for (let row = 0; row < rows; row++) {
        const kind = kindOf[row];
        for (let column = 0; column < columns; column++) {
          const more = most[kind] - added[kind * width + groupOf[column]];
          guide[row * columns + column] = guide[row * columns + column] + more;
        }
      }
      return guide;
    },
  };
}
