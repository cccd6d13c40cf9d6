import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { someProblem } from '../../../../../tests/support/budgeted';
import { stepLimits } from '../limits';
import { seededRandom } from '../random';
import { assignWithin } from './assignWithin';
import { countExchanges } from './countExchanges';
import { countLeap } from './countLeap';
import { type CountCut, costByCut, countProgram } from './countProgram';
import { kindsOf } from './kinds';
import { type BudgetedProblem, costOf, isWithin } from './problem';
import { trading } from './trading';
import { weightClasses, weightCounts } from './weightCounts';

const seeds = fc.integer({ min: 1, max: 10_000 });
const never = () => false;
const nobody = (problem: BudgetedProblem) => new Int32Array(problem.rows).fill(-1);

/** Rows put into columns by chance, one after the other, as long as budgets last. */
function byChance(problem: BudgetedProblem, seed: number): Int32Array {
  const random = seededRandom(seed);
  const columnOf = nobody(problem);
  for (let row = 0; row < problem.rows; row++) {
    const column = Math.floor(random() * problem.columns);
    if (columnOf.includes(column) || !Number.isFinite(problem.cost[row * problem.columns + column])) continue;
    columnOf[row] = column;
    if (!isWithin(problem, columnOf)) columnOf[row] = -1;
  }
  return columnOf;
}
const programOf = (problem: BudgetedProblem) =>
  countProgram(problem, kindsOf(problem), weightClasses(problem), problem.leftOut);
const countsOf = (problem: BudgetedProblem, columnOf: Int32Array) =>
  weightCounts(problem, weightClasses(problem), columnOf);

describe('the cheapest choice for counts', () => {
  it('has no more of any weight in any group, and is no dearer than choices with these counts', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const problem = someProblem(seed);
        const ask = programOf(problem);
        // One question after the other, each from where the one before ended.
        for (let turn = 0; turn < 4; turn++) {
          const choice = byChance(problem, seed + turn);
          const counts = countsOf(problem, choice);
          const { cut, columnOf } = ask(counts, Number.POSITIVE_INFINITY, never);
          expect(costByCut(cut, counts)).toBeLessThanOrEqual(costOf(problem, choice) + 0.01);
          if (!columnOf) continue;
          expect(costOf(problem, columnOf)).toBeLessThanOrEqual(costOf(problem, choice) + 1e-6);
          expect(Math.abs(costByCut(cut, counts) - costOf(problem, columnOf))).toBeLessThan(0.01);
          const { places } = weightClasses(problem);
          countsOf(problem, columnOf).forEach((count, cell) => {
            if (cell % places < places - 1) expect(count).toBeLessThanOrEqual(counts[cell] as number);
          });
        }
      }),
      { numRuns: 40 },
    );
  });

  it('tells what all other counts cost at least, also when it stops early', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 0, max: 2500 }), (seed, enough) => {
        const problem = someProblem(seed);
        const { cut } = programOf(problem)(countsOf(problem, byChance(problem, seed)), enough, never);
        for (let turn = 1; turn < 20; turn++) {
          const other = byChance(problem, seed + turn);
          expect(costByCut(cut, countsOf(problem, other))).toBeLessThanOrEqual(costOf(problem, other) + 0.01);
        }
        const { columnOf, cost } = assignWithin(problem, stepLimits(100_000));
        expect(costByCut(cut, countsOf(problem, columnOf as Int32Array))).toBeLessThanOrEqual(cost + 0.01);
      }),
      { numRuns: 40 },
    );
  });
});

describe('exchanges of counts', () => {
  const classes = { weights: [7, 15], places: 3, classOf: new Int32Array() };
  const free: CountCut = { base: 0, slope: new Float64Array(6) };

  it('are those of a small case by hand', () => {
    // One of 15 W in the first group, two of 7 W in the second, nobody left out; 1 W of room in each.
    const counts = Int32Array.of(0, 2, 0, 1, 0, 0);
    const found = countExchanges(classes, Float64Array.of(16, 15), never)(counts, free, 1).map((one) => one.join(' '));
    // One for two fits, with a watt to spare on one side; besides, anybody can be left out.
    expect(found).toContain('2 0 0 0 1 0');
    expect(found).toContain('0 1 1 1 0 0');
    expect(found).toContain('0 2 0 0 0 1');
    expect(found).not.toContain('1 1 0 1 0 0');
    expect(found).not.toContain('0 2 0 0 1 0');
  });

  it('keep the budgets and how many there are of each weight, and cost less than asked by the cut', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: -300, max: 300 }), (seed, more) => {
        const problem = someProblem(seed);
        const { weights, places } = weightClasses(problem);
        const choice = byChance(problem, seed);
        const counts = countsOf(problem, choice);
        const { cut } = programOf(problem)(counts, Number.POSITIVE_INFINITY, never);
        const below = costByCut(cut, counts) + more;
        for (const other of countExchanges(weightClasses(problem), problem.budget, never)(counts, cut, below)) {
          expect(costByCut(cut, other)).toBeLessThan(below + 1e-6);
          for (let one = 0; one < weights.length; one++) {
            const total = (of: Int32Array) =>
              of.subarray(one * places, (one + 1) * places).reduce((sum, count) => sum + count, 0);
            expect(total(other)).toBe(total(counts));
          }
          expect(Math.min(...other)).toBeGreaterThanOrEqual(0);
          problem.budget.forEach((budget, group) => {
            const given = weights.reduce(
              (sum, weight, one) => sum + weight * (other[one * places + group] as number),
              0,
            );
            expect(given).toBeLessThanOrEqual(budget + 1e-5);
          });
        }
      }),
      { numRuns: 30 },
    );
  });
});

describe('a leap over counts', () => {
  it('ends within the budgets, below what was asked by every cut, and not where it is known already', () => {
    const leaps = Array.from({ length: 20 }, (_, at) => {
      const problem = someProblem(at + 1);
      const classes = weightClasses(problem);
      const ask = programOf(problem);
      const starts = [1, 2, 3].map((turn) => countsOf(problem, byChance(problem, at + turn)));
      const cuts = starts.map((counts) => ask(counts, Number.POSITIVE_INFINITY, never).cut);
      const start = starts[0] as Int32Array;
      const below = costByCut(cuts[0] as CountCut, start);
      const known = new Set<string>();
      const means = { below, overPrice: 5, random: seededRandom(at), isKnown: (c: Int32Array) => known.has(c.join()) };
      const first = countLeap(classes, problem.budget, cuts, start, means);
      if (!first) return false;
      for (const cut of cuts) expect(costByCut(cut, first)).toBeLessThan(below);
      classes.weights.forEach((_, one) => {
        const total = (of: Int32Array) =>
          of.subarray(one * classes.places, (one + 1) * classes.places).reduce((sum, count) => sum + count, 0);
        expect(total(first)).toBe(total(start));
      });
      problem.budget.forEach((budget, group) => {
        const given = classes.weights.reduce(
          (sum, weight, one) => sum + weight * (first[one * classes.places + group] as number),
          0,
        );
        expect(given).toBeLessThanOrEqual(budget + 1e-5);
      });
      known.add(first.join());
      expect(countLeap(classes, problem.budget, cuts, start, means)?.join()).not.toBe(first.join());
      return true;
    });
    expect(leaps.filter(Boolean).length).toBeGreaterThanOrEqual(15);
  });
});

describe('choices traded', () => {
  it('keep budgets and columns, and mostly come to the cheapest there is from a start by chance', () => {
    const reached = Array.from({ length: 12 }, (_, at) => at + 1).filter((seed) => {
      const problem = someProblem(seed);
      const { cost, proven } = assignWithin(problem, stepLimits(100_000));
      expect(proven).toBe(true);
      const costs: number[] = [];
      let best = byChance(problem, seed);
      const trades = trading(problem, kindsOf(problem), problem.leftOut, {
        grain: 1,
        overPrice: 5,
        random: seededRandom(seed),
        isOver: never,
        take: (columnOf) => {
          const taken = [...columnOf].filter((column) => column >= 0);
          expect(new Set(taken).size).toBe(taken.length);
          expect(isWithin(problem, columnOf)).toBe(true);
          costs.push(costOf(problem, columnOf));
          if (costOf(problem, columnOf) < costOf(problem, best)) best = columnOf;
        },
      });
      trades?.trade(best);
      for (let turn = 0; turn < 20; turn++) trades?.leap(best);
      const least = Math.min(...costs);
      expect(least).toBeGreaterThanOrEqual(cost - 1e-6);
      return least <= cost + 1e-6;
    });
    expect(reached.length).toBeGreaterThanOrEqual(10);
  });

  it('are not tried where weights are too many to be counted', () => {
    const problem = { ...someProblem(1), weight: Float64Array.from({ length: 12 }, (_, row) => row + 1) };
    const wide = { ...problem, budget: new Float64Array(40).fill(10) };
    const means = { grain: 1, overPrice: 5, random: seededRandom(1), isOver: never, take: () => undefined };
    expect(trading(wide, kindsOf(wide), wide.leftOut, means)).toBeNull();
    expect(trading(problem, kindsOf(problem), problem.leftOut, means)).not.toBeNull();
  });
});
