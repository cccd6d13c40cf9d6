import { seededRandom } from '../random';
import { grainOf } from './grain';
import type { Kinds } from './kinds';
import { type OpenPairs, openPairs } from './openPairs';
import type { BudgetedProblem } from './problem';

/**
 * The assignment as a linear program, but for its rules. It has a row for each row (which is in one place), one for each
 * column (which is taken once), and then one for each rule. What may be in a basis is numbered: pairs first, row after
 * row, then each row left out, then the slacks of columns, then those of rules.
 */
export type LpModel = {
  rows: number;
  columns: number;
  groups: number;
  /** Places a row can be in: the groups, and left out. */
  width: number;
  /** Kinds × places: what rules count. */
  cellCount: number;
  kindOf: Int32Array;
  groupOf: Int32Array;
  /** Numbers of the first row left out, the first slack of a column and of a rule. */
  firstOut: number;
  firstSlack: number;
  firstRule: number;
  /** Costs of pairs and of rows left out, a little apart from each other. */
  priceOf: Float64Array;
  /** 1 for pairs and rows left out that cannot be, or not in a better choice. */
  never: Uint8Array;
  pairs: OpenPairs;
};

/** Costs are told apart by so little, of the step in which sums come, or all of them together of what they sum up to. */
const NUDGE = { step: 1e-4, sum: 2e-8 };

/** @param out price of leaving a row out */
export function lpModel(problem: BudgetedProblem, { kindOf, weights }: Kinds, out: Float64Array): LpModel {
  const { rows, columns, cost, must, groupOf, budget } = problem;
  const firstOut = rows * columns;
  const firstSlack = firstOut + rows;
  const grain = grainOf(problem);
  let sum = 0;
  for (let row = 0; row < rows; row++)
    sum += cost.subarray(row * columns, (row + 1) * columns).reduce((a, b) => Math.min(a, b), out[row]);
  // Ties make the way long.
  const nudge = grain > 0 ? grain * NUDGE.step : (sum / rows || 1) * NUDGE.sum;
  const random = seededRandom(1);
  const priceOf = new Float64Array(firstSlack);
  for (let at = 0; at < firstSlack; at++)
    priceOf[at] = (at < firstOut ? cost[at] : out[at - firstOut]) + nudge * random();
  const never = new Uint8Array(firstSlack);
  never.set(must, firstOut);
  return {
    rows,
    columns,
    groups: budget.length,
    width: budget.length + 1,
    cellCount: weights.length * (budget.length + 1),
    kindOf,
    groupOf,
    firstOut,
    firstSlack,
    firstRule: firstSlack + columns,
    priceOf,
    never,
    pairs: openPairs(problem, priceOf),
  };
}

export const rowOf = ({ columns, firstOut }: LpModel, member: number): number =>
  member >= firstOut ? member - firstOut : Math.floor(member / columns);

/** The group that a pair is in, or the place after the last for a row left out. */
export const placeOf = ({ columns, groups, groupOf, firstOut }: LpModel, member: number): number =>
  member >= firstOut ? groups : groupOf[member % columns];

/** The cell that a pair or a row left out is counted in. */
export const cellOf = (model: LpModel, member: number): number =>
  model.kindOf[rowOf(model, member)] * model.width + placeOf(model, member);
