import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { seededRandom } from '../random';
import { assignWithin } from './assignWithin';
import { type BasisState, beginning, invert } from './basisState';
import { dualSimplex } from './dualSimplex';
import { type Kinds, kindsOf } from './kinds';
import { lpModel } from './lpModel';
import type { BudgetedProblem } from './problem';
import { type Asked, type Relaxed, relaxation } from './relaxation';
import { budgetRules, type Rule, ruleOf } from './rules';

let highs: Awaited<ReturnType<typeof loadHighs>>;
beforeAll(async () => {
  highs = await loadHighs();
});

/** Rows and columns in some groups with budgets that bind, some pairs impossible, some rows that must have a column. */
function someProblem(seed: number): BudgetedProblem {
  const random = seededRandom(seed);
  const [rows, columns, groups] = [4 + Math.floor(random() * 8), 4 + Math.floor(random() * 9), 1 + (seed % 3)];
  return {
    rows,
    columns,
    cost: Float64Array.from({ length: rows * columns }, () =>
      random() < 0.2 ? Number.POSITIVE_INFINITY : Math.ceil(random() * 20) * 5,
    ),
    leftOut: Float64Array.from({ length: rows }, () => 100 * Math.ceil(random() * 3)),
    must: Uint8Array.from({ length: rows }, () => (random() < 0.1 ? 1 : 0)),
    weight: Float64Array.from({ length: rows }, () => [0, 7, 15.4, 30][Math.floor(random() * 4)] as number),
    groupOf: Int32Array.from({ length: columns }, () => Math.floor(random() * groups)),
    budget: Float64Array.from({ length: groups }, () => 10 + Math.floor(random() * 50)),
  };
}

/** A rule on some counts, which may be one that nothing keeps. */
function someRule({ budget }: BudgetedProblem, { weights }: Kinds, random: () => number): Rule {
  const cells = weights.length * (budget.length + 1);
  const parts = Array.from({ length: cells }, (_, cell): [number, number] => [cell, Math.floor(random() * 5) - 2]);
  return ruleOf(
    parts.filter(([, factor]) => factor !== 0),
    Math.floor(random() * 9) - 2,
  );
}

function lpFile(problem: BudgetedProblem, { kindOf }: Kinds, rules: readonly Rule[], closed: Uint8Array | null) {
  const { rows, columns, cost, leftOut, must, groupOf, budget } = problem;
  const width = budget.length + 1;
  const vars: { name: string; row: number; column: number; place: number; cost: number }[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = -1; column < columns; column++) {
      const place = column < 0 ? budget.length : (groupOf[column] as number);
      const price = (column < 0 ? leftOut[row] : cost[row * columns + column]) as number;
      if (!Number.isFinite(price) || (column < 0 && must[row]) || closed?.[row * width + place]) continue;
      vars.push({ name: `x${row}_${column < 0 ? 'out' : column}`, row, column, place, cost: price });
    }
  }
  const sum = (of: typeof vars, factor: (one: (typeof vars)[number]) => number) =>
    of
      .map((one) => `${factor(one) < 0 ? '-' : '+'} ${Math.abs(factor(one))} ${one.name}`)
      .join(' ')
      .concat(' + 0 z');
  const factorOf = (rule: Rule) => (one: (typeof vars)[number]) => {
    const at = rule.cells.indexOf((kindOf[one.row] as number) * width + one.place);
    return at < 0 ? 0 : (rule.factors[at] as number);
  };
  return [
    `Minimize\n obj: ${sum(vars, (one) => one.cost)}`,
    'Subject To',
    ...Array.from(
      { length: rows },
      (_, row) =>
        `r${row}: ${sum(
          vars.filter((one) => one.row === row),
          () => 1,
        )} = 1`,
    ),
    ...Array.from(
      { length: columns },
      (_, at) =>
        `c${at}: ${sum(
          vars.filter((one) => one.column === at),
          () => 1,
        )} <= 1`,
    ),
    ...rules.map((rule, at) => `u${at}: ${sum(vars, factorOf(rule))} <= ${rule.limit}`),
    'Bounds\n z = 0',
    'End',
  ].join('\n');
}
const asks: Pick<Asked, 'passes' | 'isOver'> = { passes: () => false, isOver: () => false };

describe('the relaxation', () => {
  it('comes to the value of a general solver, under more rules from where it stood and from the beginning', () => {
    let feasible = 0;
    let contradicted = 0;
    for (let seed = 1; seed <= 80; seed++) {
      const problem = someProblem(seed);
      const kinds = kindsOf(problem);
      const random = seededRandom(seed + 1000);
      const { relax, glance } = relaxation(problem, kinds, problem.leftOut);
      let rules: Rule[] = budgetRules(problem, kinds);
      let closed: Uint8Array | null = null;
      let last: Relaxed | null = null;
      for (let turn = 0; turn < 5; turn++) {
        const asked: Asked = { ...asks, rules, closed, basis: last?.basis ?? null };
        const { Status, ObjectiveValue } = highs.solve(lpFile(problem, kinds, rules, closed));
        const least = Status === 'Infeasible' ? Number.POSITIVE_INFINITY : ObjectiveValue;
        const glanced = glance(asked, 3);
        const next = relax(asked);
        const words = `seed ${seed}, turn ${turn}`;
        // Costs are five apart and nudged by a little of that.
        for (const { bound } of [next, relax({ ...asked, basis: null })]) {
          if (Number.isFinite(least)) expect(Math.abs(bound - least), words).toBeLessThan(0.02);
          else expect(bound, words).toBe(Number.POSITIVE_INFINITY);
        }
        expect(glanced, words).toBeLessThanOrEqual(next.bound + 0.02);
        if (next.bound === Number.POSITIVE_INFINITY) {
          contradicted += 1;
          break;
        }
        feasible += 1;
        // Its shares are of whole rows, and its counts keep the rules.
        const width = problem.budget.length + 1;
        for (let row = 0; row < problem.rows; row++)
          expect(next.shares.subarray(row * width, (row + 1) * width).reduce((a, b) => a + b)).toBeCloseTo(1, 5);
        for (const { cells, factors, limit } of rules) {
          const sum = factors.reduce(
            (all, factor, at) => all + factor * (next.counts[cells[at] as number] as number),
            0,
          );
          expect(sum, words).toBeLessThanOrEqual(limit + 1e-4);
        }
        last = next;
        if (turn === 2) closed = Uint8Array.from(next.shares, (share) => (share > 0.5 && random() < 0.2 ? 1 : 0));
        else rules = [...rules, someRule(problem, kinds, random)];
      }
    }
    expect(feasible).toBeGreaterThan(100);
    expect(contradicted).toBeGreaterThan(10);
  });

  it('closes no pair that a better choice needs', () => {
    let closedSome = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const problem = someProblem(seed);
      const kinds = kindsOf(problem);
      const { columnOf, cost } = assignWithin(problem, { now: () => 0, untilMs: 1 });
      if (!columnOf) continue;
      const rules = budgetRules(problem, kinds);
      const { relax, narrow } = relaxation(problem, kinds, problem.leftOut);
      const asked: Asked = { ...asks, rules, closed: null, basis: null };
      const before = relax(asked);
      narrow(before.prices, rules, cost + 1e-6);
      // The best choice is still open: kept to its places, the relaxation comes to no more than its cost.
      const width = problem.budget.length + 1;
      const closed = new Uint8Array(problem.rows * width).fill(1);
      columnOf.forEach((column, row) => {
        closed[row * width + (column < 0 ? width - 1 : (problem.groupOf[column] as number))] = 0;
      });
      expect(relax({ ...asked, closed }).bound, `seed ${seed}`).toBeLessThanOrEqual(cost + 1e-6);
      // Nothing may cost less than it did, and the dearest are out of reach.
      const after = relax({ ...asked, rules: [...rules], basis: before.basis });
      expect(after.bound).toBeGreaterThanOrEqual(before.bound - 0.02);
      narrow(before.prices, rules, before.bound - 1);
      if (relax(asked).bound === Number.POSITIVE_INFINITY) closedSome += 1;
    }
    expect(closedSome).toBeGreaterThan(20);
  });
});

describe('an inverse that has lost its figures', () => {
  it('never tells of a contradiction where everybody may be left out', () => {
    const outcomes = Array.from({ length: 60 }, (_, seed) => {
      const random = seededRandom(seed + 500);
      const some = someProblem(seed + 1);
      const problem = { ...some, must: new Uint8Array(some.rows) };
      const kinds = kindsOf(problem);
      const model = lpModel(problem, kinds, problem.leftOut);
      const state = invert(model, budgetRules(problem, kinds), beginning(model)) as BasisState;
      const course = { closed: null, passes: () => false, isOver: () => false };
      dualSimplex(model, state, { ...course, most: 3 });
      const { rows: entries, size } = state.inverse;
      for (let turn = 0; turn < size; turn++) {
        const at = Math.floor(random() * entries.length);
        entries[at] = (entries[at] as number) + 4 * random() - 2;
        const row = Math.floor(random() * size);
        state.values[row] = 2 * random() - 1;
      }
      return dualSimplex(model, state, { ...course, most: 200 });
    });
    expect(outcomes).not.toContain('contradicted');
    // Without the test of what it tells, or of its pivots, this would not be noticed.
    expect(outcomes.filter((one) => one === 'lost').length).toBeGreaterThan(10);
  });
});

describe('a rule', () => {
  it('says the same at any size', () => {
    const parts = [
      [0, 30],
      [3, -60],
    ] as const;
    const small = parts.map(([cell, factor]): [number, number] => [cell, factor / 1000]);
    expect(ruleOf(parts, 90)).toEqual({ cells: Int32Array.of(0, 3), factors: Float64Array.of(0.5, -1), limit: 1.5 });
    expect(ruleOf(small, 0.09).limit).toBeCloseTo(1.5, 12);
  });
});
