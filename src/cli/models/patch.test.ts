import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { examples } from '../../../tests/support/examples';
import { patchInstance, patchLp } from '../../../tests/support/patches';
import { assignWithin } from '../../core/base/solve/budgeted/assignWithin';
import { type BudgetedProblem, costOf, isWithin } from '../../core/base/solve/budgeted/problem';
import { PatchInstance, patchProblem, solvePatch } from './patch';

const clock = (seconds = 30) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});
const INFINITE = Number.POSITIVE_INFINITY;

/** Cheapest choice within the budgets by trying all of them. */
function byForce(problem: BudgetedProblem, row = 0, taken = new Set<number>(), room = [...problem.budget]): number {
  const { rows, columns, cost, leftOut, must, weight, groupOf } = problem;
  if (row === rows) return 0;
  let best = must[row] ? INFINITE : (leftOut[row] ?? 0) + byForce(problem, row + 1, taken, room);
  for (let column = 0; column < columns; column++) {
    const [price, group] = [cost[row * columns + column] ?? INFINITE, groupOf[column] ?? 0];
    const left = (room[group] ?? 0) - (weight[row] ?? 0);
    if (taken.has(column) || price === INFINITE || left < -1e-6) continue;
    const after = room.map((one, at) => (at === group ? left : one));
    best = Math.min(best, price + byForce(problem, row + 1, new Set([...taken, column]), after));
  }
  return best;
}

const price = fc.oneof(
  { weight: 5, arbitrary: fc.integer({ min: 0, max: 60 }) },
  { weight: 1, arbitrary: fc.constant(INFINITE) },
);
const small = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 5 })).chain(([rows, columns]) => {
  const each = <T>(of: fc.Arbitrary<T>, count: number) => fc.array(of, { minLength: count, maxLength: count });
  return fc
    .record({
      cost: each(price, rows * columns),
      leftOut: each(fc.integer({ min: 0, max: 90 }), rows),
      must: each(fc.constantFrom(0, 0, 0, 1), rows),
      weight: each(fc.constantFrom(0, 4, 7, 15.4, 30), rows),
      groupOf: each(fc.integer({ min: 0, max: 1 }), columns),
      budget: each(fc.constantFrom(0, 8, 15.4, 22.4, 40), 2),
    })
    .map(
      (given): BudgetedProblem => ({
        rows,
        columns,
        cost: Float64Array.from(given.cost),
        leftOut: Float64Array.from(given.leftOut),
        must: Uint8Array.from(given.must),
        weight: Float64Array.from(given.weight),
        groupOf: Int32Array.from(given.groupOf),
        budget: Float64Array.from(given.budget),
      }),
    );
});

describe('assignment within budgets', () => {
  it('is as cheap as the best of all choices, proven, or says that there is none', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const best = byForce(problem);
        const { columnOf, cost, bound, proven } = assignWithin(problem, clock());
        expect(proven).toBe(true);
        if (best === INFINITE) {
          expect(columnOf).toBeNull();
          return;
        }
        if (!columnOf) throw new Error('nothing found where there is a choice');
        expect(cost).toBeCloseTo(best, 6);
        expect(bound).toBeCloseTo(best, 6);
        expect(costOf(problem, columnOf)).toBeCloseTo(cost, 9);
        expect(isWithin(problem, columnOf)).toBe(true);
        expect(columnOf.every((column, row) => column >= 0 || !problem.must[row])).toBe(true);
      }),
      { numRuns: examples(800, 3000) },
    );
  });

  it('never gets worse by one more free column', () => {
    fc.assert(
      fc.property(small, fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 5, maxLength: 5 }), (problem, more) => {
        const before = assignWithin(problem, clock());
        fc.pre(before.columnOf !== null);
        const columns = problem.columns + 1;
        const cost = new Float64Array(problem.rows * columns);
        for (let row = 0; row < problem.rows; row++) {
          cost.set(problem.cost.subarray(row * problem.columns, (row + 1) * problem.columns), row * columns);
          cost[row * columns + problem.columns] = more[row] ?? 0;
        }
        const after = assignWithin(
          { ...problem, columns, cost, groupOf: Int32Array.of(...problem.groupOf, 0) },
          clock(),
        );
        expect(after.cost).toBeLessThanOrEqual(before.cost + 1e-6);
      }),
      { numRuns: 150 },
    );
  });
});

describe('the model of patching', () => {
  it.each([
    [20, 24, 'loose', 1],
    [20, 24, 'tight', 2],
    [20, 24, 'short', 3],
    [40, 48, 'tight', 2],
    [40, 48, 'short', 4],
    // Twelve switches: many budgets, whose rules once made the inverse lose its figures, and a dear choice proven.
    [40, 48, 'short', 4, 4],
  ] as const)(
    'equals the optimum of a general MILP solver: %i of %i, %s, seed %i',
    async (runs, ports, mode, seed, perSwitch?: number) => {
      const instance = patchInstance(runs, ports, mode, seed, perSwitch ? { perSwitch } : {});
      const { status, objective, bound } = solvePatch(instance, clock());
      const highs = await loadHighs();
      const optimum = highs.solve(patchLp(instance), { mip_rel_gap: 0, time_limit: 60 });
      expect(optimum.Status).toBe('Optimal');
      expect(status).toBe('optimal');
      expect(objective).toBeCloseTo(optimum.ObjectiveValue, 4);
      expect(bound).toBe(objective);
    },
  );

  it.each(['tight', 'short'] as const)('equals it also where every run draws something else: %s', async (mode) => {
    const instance = patchInstance(40, 48, mode, 5, { measured: true });
    // More weights than those whose fillings are cut.
    expect(new Set(instance.panelPorts.map(({ poe_W }) => poe_W)).size).toBeGreaterThan(17);
    const { status, objective } = solvePatch(instance, clock());
    const highs = await loadHighs();
    const optimum = highs.solve(patchLp(instance), { mip_rel_gap: 0, time_limit: 60 });
    expect([status, optimum.Status]).toEqual(['optimal', 'Optimal']);
    expect(objective).toBeCloseTo(optimum.ObjectiveValue, 4);
  });

  const ports = [
    { id: 'a1', switch: 'a', port: 1, x_mm: 100, maxMbps: 1000, poeMax_W: 30 },
    { id: 'a2', switch: 'a', port: 2, x_mm: 116, maxMbps: 2500, poeMax_W: 0 },
  ];
  const read = (fields: object) =>
    PatchInstance.parse({
      rackWidth_mm: 482.6,
      cordLengths_m: [0.25, 0.5, 1],
      route: { adjacentWithinU: 2, adjacentAllowance_mm: 120, sideAllowance_mm: 300 },
      penalties: {
        perCordCm: 1,
        poePortForNonPoe: 60,
        perSpeedStepOver: 40,
        numberMismatch: 15,
        unpatchedPerPriority: 1000,
      },
      panelPorts: [{ id: 'p1', panel: 'p', port: 1, u: 10, x_mm: 100 }],
      switches: [{ id: 'a', u: 9, poeBudget_W: 30 }],
      switchPorts: ports,
      ...fields,
    });
  const run = (fields: object) => ({ id: 'p1', panel: 'p', port: 1, u: 10, x_mm: 100, ...fields });

  it('counts every term as the model says', () => {
    // By hand: 44.45 + 120 mm wants 0.25 m. Port 1 wastes power (25 + 60 + 40: 1 Gb/s where nothing is asked);
    // port 2 is two steps faster and has another number (25 + 80 + 15).
    expect(solvePatch(read({}), clock()).objective).toBe(25 + 80 + 15);
    // Seven units away it goes round the nearer side: 100 + 100 + 7 × 44.45 + 300 = 811 mm, a cord of 1 m.
    const far = read({ panelPorts: [run({ u: 2, linkMbps: 1000, poe_W: 15.4 })] });
    expect(solvePatch(far, clock())).toMatchObject({ objective: 100, solution: { assignment: { p1: 'a1' } } });
  });

  it('keeps pins, and nobody else takes a pinned port', () => {
    const pinned = read({ panelPorts: [run({ pinnedSwitchPort: 'a1' }), run({ id: 'p2', port: 2, poe_W: 7 })] });
    expect(solvePatch(pinned, clock()).solution?.assignment).toEqual({ p1: 'a1', p2: null });
  });

  it('says infeasible where pins conflict or a pin cannot be kept, and leaves out at a budget of zero', () => {
    const both = read({ panelPorts: [run({ pinnedSwitchPort: 'a1' }), run({ id: 'p2', pinnedSwitchPort: 'a1' })] });
    expect(solvePatch(both, clock())).toMatchObject({ status: 'infeasible', objective: null, solution: null });
    const weak = read({ panelPorts: [run({ poe_W: 30, pinnedSwitchPort: 'a2' })] });
    expect(solvePatch(weak, clock()).status).toBe('infeasible');
    const hungry = read({ panelPorts: [run({ poe_W: 30, pinnedSwitchPort: 'a1' })] });
    const noWatts = { ...hungry, switches: [{ id: 'a', u: 9, poeBudget_W: 0, allowedNetworks: null }] };
    expect(solvePatch(noWatts, clock()).status).toBe('infeasible');
    const zero = read({ panelPorts: [run({ poe_W: 7, priority: 2 })], switches: [{ id: 'a', u: 9 }] });
    expect(solvePatch(zero, clock())).toMatchObject({ status: 'optimal', objective: 2000 });
  });

  it('patches nothing that no cord is long enough for, nor a network that the switch may not carry', () => {
    const long = read({ panelPorts: [run({ u: 40 })] });
    expect(solvePatch(long, clock()).solution?.assignment).toEqual({ p1: null });
    const guests = read({
      panelPorts: [run({ network: 'guests' })],
      switches: [{ id: 'a', u: 9, allowedNetworks: ['office'] }],
    });
    expect(solvePatch(guests, clock()).solution?.assignment).toEqual({ p1: null });
  });

  it('names an id that leads nowhere or stands twice', () => {
    expect(() => patchProblem(read({ switchPorts: [{ ...ports[0], switch: 'x' }] }))).toThrow(
      'switchPorts 1.switch: expected the id of a switch, found x.',
    );
    expect(() => patchProblem(read({ switchPorts: [ports[0], ports[0]] }))).toThrow('switchPorts: an id stands twice.');
  });
});
