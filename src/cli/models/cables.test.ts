import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cablesInstance } from '../../../tests/support/cables';
import { CablesInstance, cuttingProblem, solveCables } from './cables';

const looks = (most = 2000) => {
  let count = 0;
  return { now: () => count++, untilMs: most };
};
const instance = (fields: object) => CablesInstance.parse({ runs: [], ...fields });

/** The objective of a solution, counted from the instance alone. */
function objectiveOf(
  { newBox_m, minReusable_m, partBoxes, runs }: CablesInstance,
  boxOf: Record<string, string>,
): number {
  const fills = new Map<string, number>();
  for (const { id, length_m } of runs) {
    const box = boxOf[id] ?? 'none';
    fills.set(box, (fills.get(box) ?? 0) + Math.round(length_m * 10));
  }
  let points = 0;
  for (const [box, fill] of fills) {
    const part = partBoxes.find((one) => one.id === box);
    if (!part) points += 10_000;
    const rest = Math.round((part?.left_m ?? newBox_m) * 10) - fill;
    expect(rest).toBeGreaterThanOrEqual(0);
    if (rest < Math.round(minReusable_m * 10)) points += rest;
  }
  return points;
}

describe('the model of boxes', () => {
  it.each([1, 2, 3, 4, 5, 6])('gives a solution that is what its objective says, seed %i', (seed) => {
    for (const pullTogether of [true, false]) {
      const given = cablesInstance(18, seed, pullTogether);
      const { objective, bound, solution, status } = solveCables(given, looks(6000));
      if (!solution) throw new Error('no solution');
      expect(Object.keys(solution.boxOf).sort()).toEqual(given.runs.map((run) => run.id).sort());
      expect(objectiveOf(given, solution.boxOf)).toBe(objective);
      expect(bound).toBeLessThanOrEqual(objective ?? 0);
      if (status === 'optimal') expect(bound).toBe(objective);
      if (!pullTogether) continue;
      const places = given.runs.map((run) => `${run.outlet} ${solution.boxOf[run.id]}`);
      expect(new Set(places).size).toBe(places.length);
    }
  });

  it('together is never cheaper than one by one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 9 }), (seed, count) => {
        const together = solveCables(cablesInstance(count, seed, true), looks());
        const apart = solveCables(cablesInstance(count, seed, false), looks());
        expect(apart.objective).toBeLessThanOrEqual(together.objective ?? 0);
      }),
      { numRuns: 25 },
    );
  });

  it('a part box more never costs anything', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 300 }),
        (seed, count, left) => {
          const given = cablesInstance(count, seed);
          const richer = { ...given, partBoxes: [...given.partBoxes, { id: 'extra', left_m: left }] };
          expect(solveCables(richer, looks()).objective).toBeLessThanOrEqual(
            solveCables(given, looks()).objective ?? 0,
          );
        },
      ),
      { numRuns: 25 },
    );
  });

  it('takes lengths to the tenth of a metre, and floating point does not matter', () => {
    const { pieces, parts, fresh, reusable } = cuttingProblem(
      instance({
        newBox_m: 30.3,
        minReusable_m: 0.3,
        partBoxes: [{ id: 'P', left_m: 0.7 }],
        runs: [{ id: 'a', outlet: 'o', length_m: 0.1 + 0.2 }],
      }),
    );
    expect([pieces[0]?.length, parts[0], fresh, reusable]).toEqual([3, 7, 303, 3]);
  });

  it('groups runs by outlet only where they are pulled together, and runs without outlet never', () => {
    const runs = ['A', 'A', '', ''].map((outlet, at) => ({ id: `r${at}`, outlet, length_m: 1 }));
    const groups = (pullTogether: boolean) =>
      cuttingProblem(instance({ pullTogether, runs })).pieces.map((one) => one.group);
    expect(new Set(groups(true)).size).toBe(3);
    expect(new Set(groups(false)).size).toBe(4);
  });

  it.each([
    ['a length of nothing', { runs: [{ id: 'a', length_m: 0 }] }],
    ['no length', { runs: [{ id: 'a' }] }],
    ['a box of less than nothing', { partBoxes: [{ id: 'P', left_m: -1 }] }],
    ['no id', { runs: [{ length_m: 3 }] }],
    ['a new box of nothing', { newBox_m: 0 }],
  ])('refuses %s', (_, fields) => {
    expect(CablesInstance.safeParse({ runs: [], ...fields }).success).toBe(false);
  });

  it('refuses an id that stands twice', () => {
    const run = { id: 'a', outlet: '', length_m: 1 };
    expect(() => cuttingProblem(instance({ runs: [run, run] }))).toThrow(/runs: an id stands twice/);
    const part = { id: 'P', left_m: 1 };
    expect(() => cuttingProblem(instance({ partBoxes: [part, part] }))).toThrow(/partBoxes/);
  });

  it('has an answer for nothing, and for what no box holds', () => {
    expect(solveCables(instance({}), looks())).toMatchObject({ status: 'optimal', objective: 0, bound: 0 });
    const tooLong = instance({ runs: [{ id: 'a', outlet: '', length_m: 306 }] });
    expect(solveCables(tooLong, looks())).toMatchObject({ status: 'infeasible', objective: null, solution: null });
    const inPart = { ...tooLong, partBoxes: [{ id: 'reel', left_m: 400 }] };
    expect(solveCables(inPart, looks())).toMatchObject({ status: 'optimal', objective: 0 });
  });
});
