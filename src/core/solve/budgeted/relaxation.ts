import { assign } from '../assignment';
import { type ColumnLp, columnLp } from '../columnLp';
import type { Kinds } from './kinds';
import { type BudgetedProblem, costAt } from './problem';

/**
 * A row of the relaxation: what counts of each kind in each group, and of each kind left out, may come to at most.
 * Cells lie kind after kind, groups + 1 of each; the last one is for left out.
 */
export type Rule = { cells: Int32Array; factors: Float64Array; limit: number };

export function ruleOf(parts: readonly (readonly [cell: number, factor: number])[], limit: number): Rule {
  return {
    cells: Int32Array.from(parts, ([cell]) => cell),
    factors: Float64Array.from(parts, ([, one]) => one),
    limit,
  };
}

/** One assignment that keeps no budget, with its counts. */
export type Sample = { columnOf: Int32Array; cost: number; placeOf: Int32Array; counts: Float64Array };

export type Relaxed = {
  /** No choice under these rules is cheaper. */
  bound: number;
  /** Whether the bound passed the cutoff, so that the rest is empty. */
  cut: boolean;
  samples: Sample[];
  /** Share of each row in each group and left out: rows × (groups + 1). */
  shares: Float64Array;
  counts: Float64Array;
  /** Costs that speak for groups whose budgets have room and against the others, as the rules were priced last. */
  guide: Float64Array;
};

/** The samples that the prices of the moment speak least against. */
function cheapest(samples: Sample[], lp: ColumnLp): Sample[] {
  if (samples.length <= KEPT) return samples;
  const against = Float64Array.from(samples, (_, at) => lp.reduced(at));
  return [...samples.keys()]
    .sort((a, b) => (against[a] as number) - (against[b] as number))
    .slice(0, KEPT)
    .map((at) => samples[at] as Sample);
}

const ENOUGH = 1e-4;
const KEPT = 60;

/**
 * The problem with its budgets and further rules priced instead of kept (Dantzig and Wolfe 1960): a small linear
 * program over assignments, each new one found as an unbudgeted assignment at the prices of the moment.
 * @param out price of leaving a row out, large where it must not be
 * @param onSample called with every assignment met
 */
export function relaxation(
  problem: BudgetedProblem,
  { kindOf, weights }: Kinds,
  out: Float64Array,
  onSample: (sample: Sample) => void,
) {
  const { rows, columns, cost, groupOf } = problem;
  const groups = problem.budget.length;
  const width = groups + 1;
  const cells = weights.length * width;
  const priced = new Float64Array(cost);
  const pricedOut = new Float64Array(rows);
  const surcharge = new Float64Array(cells);
  const added = new Float64Array(weights.length * columns);
  const penalty = 1000 * (1 + out.reduce((most, one) => Math.max(most, one), 0));

  /** Costs with what the rules say for or against each group, next to the group that they say least against. */
  const guideOf = (): Float64Array => {
    const guide = new Float64Array(cost);
    const least = Float64Array.from(weights, (_, kind) =>
      Math.min(...surcharge.subarray(kind * width, kind * width + groups)),
    );
    for (let row = 0; row < rows; row++) {
      const kind = kindOf[row] as number;
      for (let column = 0; column < columns; column++) {
        const at = row * columns + column;
        const more = (surcharge[kind * width + (groupOf[column] as number)] as number) - (least[kind] as number);
        guide[at] = (guide[at] as number) + more;
      }
    }
    return guide;
  };
  const sampleOf = (columnOf: Int32Array): Sample => {
    const placeOf = new Int32Array(rows);
    const counts = new Float64Array(cells);
    let sum = 0;
    for (let row = 0; row < rows; row++) {
      const column = columnOf[row] as number;
      const place = column < 0 ? groups : (groupOf[column] as number);
      placeOf[row] = place;
      sum += column < 0 ? (out[row] as number) : costAt(problem, row, column);
      const cell = (kindOf[row] as number) * width + place;
      counts[cell] = (counts[cell] as number) + 1;
    }
    return { columnOf, cost: sum, placeOf, counts };
  };
  const sumOf = ({ cells: some, factors }: Rule, counts: Float64Array): number => {
    let sum = 0;
    for (let at = 0; at < some.length; at++) sum += (factors[at] as number) * (counts[some[at] as number] as number);
    return sum;
  };

  /**
   * @param closed 1 for each row and group (or left out) that are kept apart; null for none
   * @param known assignments to begin with
   * @param passes whether a bound is as good as the best choice known
   */
  return (
    rules: readonly Rule[],
    closed: Uint8Array | null,
    known: readonly Sample[],
    passes: (bound: number) => boolean,
    isOver: () => boolean,
  ): Relaxed => {
    const lp = columnLp(
      Float64Array.from(rules, (rule) => rule.limit),
      penalty,
    );
    const samples: Sample[] = [];
    const add = (sample: Sample) => {
      samples.push(sample);
      lp.add(
        sample.cost,
        Float64Array.from(rules, (rule) => sumOf(rule, sample.counts)),
      );
    };
    for (const sample of known) {
      if (closed?.some((one, at) => one === 1 && sample.placeOf[Math.floor(at / width)] === at % width)) continue;
      add(sample);
    }
    let bound = Number.NEGATIVE_INFINITY;
    const given = (cut: boolean): Relaxed => {
      const shares = new Float64Array(rows * width);
      const counts = new Float64Array(cells);
      if (!cut) {
        lp.weights().forEach((share, at) => {
          if (share < 1e-9) return;
          const { placeOf } = samples[at] as Sample;
          for (let row = 0; row < rows; row++) {
            const place = placeOf[row] as number;
            shares[row * width + place] = (shares[row * width + place] as number) + share;
            const cell = (kindOf[row] as number) * width + place;
            counts[cell] = (counts[cell] as number) + share;
          }
        });
      }
      return { bound, cut, samples: cheapest(samples, lp), shares, counts, guide: cut ? cost : guideOf() };
    };
    for (let round = 0; round < 400; round++) {
      const { prices, base, value, lacking } = lp.solve();
      surcharge.fill(0);
      let constant = 0;
      rules.forEach(({ cells: some, factors, limit }, at) => {
        // Any price that is not above 0 gives a bound; rounding must not bring one above it.
        const price = Math.min(0, prices[at] as number);
        if (price === 0) return;
        constant += price * limit;
        for (let part = 0; part < some.length; part++) {
          const cell = some[part] as number;
          surcharge[cell] = (surcharge[cell] as number) - price * (factors[part] as number);
        }
      });
      for (let kind = 0; kind < weights.length; kind++)
        for (let column = 0; column < columns; column++)
          added[kind * columns + column] = surcharge[kind * width + (groupOf[column] as number)] as number;
      for (let row = 0; row < rows; row++) {
        const first = (kindOf[row] as number) * width;
        const more = (kindOf[row] as number) * columns;
        const at = row * columns;
        for (let column = 0; column < columns; column++)
          priced[at + column] = (cost[at + column] as number) + (added[more + column] as number);
        pricedOut[row] = (out[row] as number) + (surcharge[first + groups] as number);
        if (closed === null) continue;
        for (let column = 0; column < columns; column++)
          if (closed[row * width + (groupOf[column] as number)]) priced[at + column] = Number.POSITIVE_INFINITY;
        if (closed[row * width + groups]) pricedOut[row] = penalty;
      }
      const { columnOf, cost: least } = assign(rows, columns, priced, pricedOut);
      bound = Math.max(bound, least + constant);
      if (passes(bound)) return given(true);
      const sample = sampleOf(columnOf);
      onSample(sample);
      if (least - base >= -1e-6 || (lacking < 1e-9 && value - bound < ENOUGH) || isOver()) break;
      add(sample);
    }
    return given(false);
  };
}
