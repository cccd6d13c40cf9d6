import { type BasisState, basisOf, beginning, invert } from './basisState';
import { dualSimplex, MOST_CHANGES } from './dualSimplex';
import type { Kinds } from './kinds';
import { lpModel, rowOf } from './lpModel';
import type { BudgetedProblem } from './problem';
import { type Rule, ruleOf } from './rules';
import { WHOLE } from './splits';
import type { WeightClasses } from './weightCounts';

/** Choices with such counts, or with less in some groups, cost at least base + slope · counts. */
export type CountCut = { base: number; slope: Float64Array };

export function costByCut({ base, slope }: CountCut, counts: Int32Array): number {
  let sum = base;
  for (let cell = 0; cell < slope.length; cell++) sum += slope[cell] * counts[cell];
  return sum;
}

/** Questions after which the inverse is made anew. */
const FRESH = 100;

/**
 * The cheapest choice in which no group has more rows of each weight than given: a linear program, whose solutions come
 * out whole or nearly so. Each question goes on where the one before ended, since only limits change; the prices it ends
 * with bound the costs of all other counts too (Benders 1962).
 * @param out price of leaving a row out
 * @returns asks for counts, until the cost is `enough`; the choice is null when it is that dear, or broken
 */
export function countProgram(
  problem: BudgetedProblem,
  kinds: Kinds,
  { weights, places }: WeightClasses,
  out: Float64Array,
): (counts: Int32Array, enough: number, isOver: () => boolean) => { cut: CountCut; columnOf: Int32Array | null } {
  const { rows, columns } = problem;
  const model = lpModel(problem, kinds, out);
  const groups = places - 1;
  const firstRule = rows + columns;
  const rules: Rule[] = weights.flatMap((weight) =>
    Array.from({ length: groups }, (_, group) =>
      ruleOf(
        [...kinds.weights.keys()]
          .filter((kind) => kinds.weights[kind] === weight)
          .map((kind) => [kind * places + group, 1]),
        0,
      ),
    ),
  );
  const cells = weights.flatMap((_, weight) => Array.from({ length: groups }, (_, group) => weight * places + group));
  let state: BasisState | null = null;
  let asked = 0;

  /** Bring the limits to these counts, and what the state comes to with them. */
  const setLimits = (counts: Int32Array) => {
    rules.forEach((rule, at) => {
      const more = counts[cells[at]] - rule.limit;
      rule.limit += more;
      if (more === 0 || !state) return;
      const { size, rows: entries } = state.inverse;
      for (let row = 0; row < size; row++) {
        const entry = entries[row * size + firstRule + at];
        if (entry !== 0) state.values[row] = state.values[row] + more * entry;
      }
    });
  };
  const stateFor = (counts: Int32Array): BasisState => {
    setLimits(counts);
    if (state && asked++ % FRESH < FRESH - 1) return state;
    return (
      (state && invert(model, rules, basisOf(model, state))) ?? (invert(model, rules, beginning(model)) as BasisState)
    );
  };
  const cutOf = ({ price }: BasisState): CountCut => {
    const slope = new Float64Array(weights.length * places);
    cells.forEach((cell, at) => {
      slope[cell] = Math.min(0, price[firstRule + at]);
    });
    return { base: price.subarray(0, firstRule).reduce((sum, one) => sum + one, 0), slope };
  };
  const choiceOf = ({ member, values }: BasisState): Int32Array | null => {
    const columnOf = new Int32Array(rows).fill(-1);
    for (let at = 0; at < member.length; at++) {
      const one = member[at];
      const share = values[at];
      if (one >= model.firstSlack || share < WHOLE) continue;
      if (share < 1 - WHOLE) return null;
      if (one < model.firstOut) columnOf[rowOf(model, one)] = one % columns;
    }
    return columnOf;
  };
  return (counts, enough, isOver) => {
    state = stateFor(counts);
    const outcome = dualSimplex(model, state, {
      closed: null,
      passes: (value) => value >= enough,
      isOver,
      most: MOST_CHANGES * state.member.length,
    });
    const told = { cut: cutOf(state), columnOf: outcome === 'settled' ? choiceOf(state) : null };
    if (outcome === 'lost') state = null;
    return told;
  };
}
