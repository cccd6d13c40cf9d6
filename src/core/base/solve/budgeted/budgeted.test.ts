import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { someProblem } from '../../../../../tests/support/budgeted';
import { stepLimits } from '../limits';
import { seededRandom } from '../random';
import { anneal } from './anneal';
import { assignWithin } from './assignWithin';
import { budgetCut } from './budgetCut';
import { fullBudget } from './fullBudget';
import { polish } from './polish';
import { type BudgetedProblem, costOf, givenBy, isWithin } from './problem';

/** Every way to fill a budget. */
function fillings(weights: number[], most: number[], budget: number): number[][] {
  let all: number[][] = [[]];
  weights.forEach((_, at) => {
    all = all.flatMap((counts) =>
      Array.from({ length: (most[at] as number) + 1 }, (_, count) => [...counts, count]).filter(
        (more) => more.reduce((sum, count, one) => sum + count * (weights[one] as number), 0) <= budget,
      ),
    );
  });
  return all;
}
const dot = (a: Iterable<number>, b: ArrayLike<number>) =>
  [...a].reduce((sum, one, at) => sum + one * (b[at] as number), 0);

const kinds = fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 4 }).chain((weights) =>
  fc.record({
    weights: fc.constant(weights),
    most: fc.array(fc.integer({ min: 0, max: 4 }), { minLength: weights.length, maxLength: weights.length }),
    values: fc.array(fc.integer({ min: 0, max: 50 }), { minLength: weights.length, maxLength: weights.length }),
    budget: fc.integer({ min: 0, max: 150 }),
  }),
);

describe('filling a budget', () => {
  it('is worth as much as the best of all fillings', () => {
    fc.assert(
      fc.property(kinds, ({ weights, most, values, budget }) => {
        const found = fullBudget(Float64Array.from(weights), Float64Array.from(values), Int32Array.from(most), budget);
        const best = Math.max(...fillings(weights, most, budget).map((counts) => dot(counts, values)));
        expect(found.value).toBe(best);
        expect(found.bound).toBe(best);
        expect(dot(found.counts, weights)).toBeLessThanOrEqual(budget);
      }),
    );
  });
});

describe('a cut by a budget', () => {
  it('is kept by every whole filling, and not by the broken counts it was made for', () => {
    fc.assert(
      fc.property(
        kinds,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 4, maxLength: 4 }),
        ({ weights, most, budget }, shares) => {
          // As much of each as there is, brought within the budget as a relaxation would.
          const wanted = most.map((count, at) => count * (shares[at] as number));
          const heavy = dot(wanted, weights);
          const counts = Float64Array.from(wanted, (one) => (heavy > budget ? (one * budget) / heavy : one));
          const cut = budgetCut(Float64Array.from(weights), Int32Array.from(most), budget, counts);
          if (!cut) return;
          expect(dot(counts, cut.factors)).toBeGreaterThan(cut.limit);
          for (const filling of fillings(weights, most, budget))
            expect(dot(filling, cut.factors)).toBeLessThanOrEqual(cut.limit + 1e-9);
        },
      ),
    );
  });

  it('cuts off one and a half of what fits once', () => {
    // 100 W hold one of 60 W; a relaxation takes 1.67.
    const cut = budgetCut(Float64Array.of(60), Int32Array.of(5), 100, Float64Array.of(100 / 60));
    expect(cut && cut.limit / (cut.factors[0] as number)).toBeCloseTo(1, 9);
    expect(budgetCut(Float64Array.of(60), Int32Array.of(5), 120, Float64Array.of(2))).toBeNull();
  });
});

describe('a budget that is filled to the last decimal', () => {
  it('is not cut off: 15.4 W and 7 W go into 22.4 W', () => {
    const never = Number.POSITIVE_INFINITY;
    const problem: BudgetedProblem = {
      rows: 5,
      columns: 5,
      cost: Float64Array.of(
        ...[0, never, 0, 0, 0],
        ...[0, 0, 0, 0, 22],
        ...[17, 15, 18, 29, 29],
        ...[25, 25, 20, never, 32],
        ...[0, 0, 3, 7, 2],
      ),
      leftOut: Float64Array.of(10, 0, 18, 22, 0),
      must: Uint8Array.of(0, 1, 0, 0, 1),
      weight: Float64Array.of(15.4, 0, 15.4, 0, 7),
      groupOf: Int32Array.of(0, 0, 1, 1, 0),
      budget: Float64Array.of(22.4, 40),
    };
    // Found by force over all choices.
    expect(assignWithin(problem, stepLimits(100_000))).toMatchObject({ cost: 37, bound: 37, proven: true });
  });
});

describe('a choice that costs as much as any can', () => {
  it('is found: one row, whose only column with a budget left is its dearest', () => {
    const problem: BudgetedProblem = {
      rows: 1,
      columns: 2,
      cost: Float64Array.of(0, 2),
      leftOut: Float64Array.of(0),
      must: Uint8Array.of(1),
      weight: Float64Array.of(15.4),
      groupOf: Int32Array.of(1, 0),
      budget: Float64Array.of(40, 0),
    };
    const { columnOf, cost, proven } = assignWithin(problem, stepLimits(1000));
    expect({ columnOf: [...(columnOf ?? [])], cost, proven }).toEqual({ columnOf: [1], cost: 2, proven: true });
  });
});

describe('rows that cost nothing anywhere', () => {
  it('are told to be too many for the budgets, or put within them', () => {
    // Six that must be powered at 30 W; each group has room for two or three.
    const problem = (budget: number): BudgetedProblem => ({
      rows: 6,
      columns: 8,
      cost: new Float64Array(48),
      leftOut: new Float64Array(6),
      must: new Uint8Array(6).fill(1),
      weight: new Float64Array(6).fill(30),
      groupOf: Int32Array.of(0, 0, 0, 0, 1, 1, 1, 1),
      budget: Float64Array.of(budget, budget),
    });
    expect(assignWithin(problem(80), stepLimits(10_000))).toMatchObject({ columnOf: null, proven: true });
    expect(assignWithin(problem(90), stepLimits(10_000))).toMatchObject({ cost: 0, bound: 0, proven: true });
  });
});

const seeds = fc.integer({ min: 1, max: 10_000 });
const nobody = (problem: BudgetedProblem) => new Int32Array(problem.rows).fill(-1);
const annealed = (problem: BudgetedProblem, seed: number) => {
  const open = Array.from({ length: problem.rows }, (_, row) =>
    Int32Array.from(
      [-1, ...Array.from({ length: problem.columns }, (_, column) => column)].filter(
        (column) => column < 0 || Number.isFinite(problem.cost[row * problem.columns + column] as number),
      ),
    ),
  );
  const over = { low: 5, high: 50 };
  const random = seededRandom(seed);
  const guide = problem.cost;
  const heat = { hot: 50, cold: 1 };
  return anneal(problem, nobody(problem), { random, open, moves: 4000, ...heat, over, guide, isOver: () => false });
};

describe('choices made better', () => {
  it('by annealing keep budgets and columns, and cost no more than where they began', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const problem = someProblem(seed);
        const found = annealed(problem, seed);
        if (!found) throw new Error('nothing found within the budgets');
        expect(isWithin(problem, found)).toBe(true);
        const taken = [...found].filter((column) => column >= 0);
        expect(new Set(taken).size).toBe(taken.length);
        expect(costOf(problem, found)).toBeLessThanOrEqual(costOf(problem, nobody(problem)));
      }),
      { numRuns: 40 },
    );
  });

  it('by changing hands give no group more, and are never worse', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const problem = someProblem(seed);
        const start = annealed(problem, seed) ?? nobody(problem);
        const better = polish(problem, start, problem.leftOut);
        expect(costOf(problem, better)).toBeLessThanOrEqual(costOf(problem, start) + 1e-9);
        const before = givenBy(problem, start);
        givenBy(problem, better).forEach((given, group) => {
          expect(given).toBeLessThanOrEqual((before[group] as number) + 1e-9);
        });
      }),
      { numRuns: 40 },
    );
  });
});
