import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { layoutInstance, layoutLp } from '../../../tests/support/layouts';
import { stackCost } from '../../core/base/solve/stacking/problem';
import { LayoutInstance, layoutProblem, solveLayout } from './layout';

const clock = (seconds = 60) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});
const weights = { cordDistance: 1, weightHeight: 0.1, heatAdjacency: 9, entryDistance: 2, freeBlock: 1 };

describe('the model of layouts', () => {
  it.each([
    [9, 5, 1],
    [9, 5, 2],
    [12, 8, 2],
  ])('equals the optimum of a general MILP solver: %i units, %i devices, seed %i', async (units, count, seed) => {
    const instance = layoutInstance(units, count, seed);
    const { status, objective, bound } = solveLayout(instance, clock());
    const highs = await loadHighs();
    const optimum = highs.solve(layoutLp(instance), { mip_rel_gap: 0, time_limit: 60 });
    expect(optimum.Status).toBe('Optimal');
    expect(status).toBe('optimal');
    expect(objective).toBeCloseTo(optimum.ObjectiveValue, 4);
    expect(bound).toBe(objective);
  });

  it.each([2, 3])('proves 20 devices in 42 units, seed %i', (seed) => {
    const instance = layoutInstance(42, 20, seed);
    const { status, objective, solution } = solveLayout(instance, clock());
    const bottoms = instance.devices.map(({ id }) => solution?.bottomU[id] ?? 0);
    expect(stackCost(layoutProblem(instance), bottoms)).toMatchObject({ wrong: [], cost: objective });
    expect(status).toBe('optimal');
  });

  it('counts every term as the model says', () => {
    // Worked by hand: server in U1-U2, panel in U6, switch in U5, U3-U4 free.
    const instance = LayoutInstance.parse({
      rackUnits: 6,
      cableEntry: 'top',
      hot_W: 50,
      weights,
      devices: [
        { id: 'panel', height_U: 1, weight_kg: 1, nearEntry: true, fixedU: 6 },
        { id: 'switch', height_U: 1, weight_kg: 4, heat_W: 60, fixedU: 5 },
        { id: 'server', height_U: 2, weight_kg: 15, heat_W: 180, fixedU: 1 },
      ],
      links: [
        { a: 'panel', b: 'switch', cords: 10 },
        { a: 'server', b: 'switch', cords: 2 },
      ],
    });
    const cords = 10 * 1 + 2 * 3.5;
    const mass = 0.1 * (1 * 6 + 4 * 5 + 15 * 1.5);
    expect(solveLayout(instance, clock()).objective).toBeCloseTo(cords + mass - 2, 9);
  });

  it('names an id that leads nowhere, and says when no layout exists', () => {
    const one = { id: 'a', height_U: 1 };
    const read = (fields: object) => LayoutInstance.parse({ rackUnits: 4, weights, devices: [one], ...fields });
    expect(() => solveLayout(read({ links: [{ a: 'a', b: 'x', cords: 1 }] }), clock())).toThrow(
      'links 1.b: expected the id of a device, found x.',
    );
    expect(() => solveLayout(read({ devices: [one, one] }), clock())).toThrow('an id stands twice');
    const two = [
      { ...one, fixedU: 2 },
      { id: 'b', height_U: 2, fixedU: 1 },
    ];
    expect(solveLayout(read({ devices: two }), clock())).toMatchObject({ status: 'infeasible', solution: null });
  });
});
