import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { cutoverInstance } from '../../../tests/support/cutover';
import { cutoverByForce } from '../../../tests/support/cutoverByForce';
import { cutoverLp } from '../../../tests/support/cutoverLp';
import { examples } from '../../../tests/support/examples';
import { costOfSteps } from '../../core/base/solve/sequencing/space';
import { CutoverInstance, cutoverProblem, solveCutover, stepsOf } from './cutover';

const clock = (seconds = 20) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});

const id = fc.constantFrom('a', 'b', 'c', 'd', 'e');
const anyInstance = fc
  .record({
    heights: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 5 }),
    places: fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 })), {
      minLength: 5,
      maxLength: 5,
    }),
    roles: fc.array(fc.constantFrom('stays', 'stays', 'stays', 'comes', 'leaves'), { minLength: 5, maxLength: 5 }),
    minutes: fc.array(fc.tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 })), {
      minLength: 5,
      maxLength: 5,
    }),
    parks: fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
    parkLimit: fc.integer({ min: 0, max: 2 }),
    parkPenalty: fc.integer({ min: 0, max: 6 }),
    rules: fc.array(fc.record({ thing: id, on: fc.constantFrom('take', 'put'), needs: id }), { maxLength: 3 }),
    services: fc.array(
      fc.record({
        id: fc.constant('s'),
        weight: fc.integer({ min: 0, max: 5 }),
        ways: fc.array(fc.array(fc.record({ thing: id, at: fc.constantFrom('old', 'new', 'any') }), { maxLength: 3 }), {
          maxLength: 2,
        }),
      }),
      { maxLength: 3 },
    ),
  })
  .map(({ heights, places, roles, minutes, parks, rules, services, ...rest }) => {
    const ids = ['a', 'b', 'c', 'd', 'e'].slice(0, heights.length);
    return CutoverInstance.parse({
      ...rest,
      units: 5,
      things: heights.map((height, at) => ({
        id: ids[at],
        height,
        from: roles[at] === 'comes' ? null : height === 0 ? 0 : places[at]?.[0],
        to: roles[at] === 'leaves' ? null : height === 0 ? 0 : places[at]?.[1],
        takeMin: minutes[at]?.[0],
        putMin: minutes[at]?.[1],
        canPark: parks[at],
      })),
      rules: rules.filter(({ thing, needs }) => ids.includes(thing) && ids.includes(needs)),
      services: services.map((service) => ({
        ...service,
        ways: service.ways.filter((way) => way.every(({ thing }) => ids.includes(thing))),
      })),
    });
  })
  // No two things stand in one unit, neither today nor then.
  .filter(({ things }) =>
    (['from', 'to'] as const).every((when) => {
      const taken = things.flatMap(({ height, [when]: bottom }) =>
        bottom === null ? [] : Array.from({ length: height }, (_, up) => bottom + up),
      );
      return new Set(taken).size === taken.length;
    }),
  );

function expectsForce(instance: CutoverInstance) {
  const best = cutoverByForce(instance);
  const made = solveCutover(instance, clock());
  expect([made.status, made.objective]).toEqual(
    best === null ? ['infeasible', null] : ['optimal', expect.closeTo(best, 6)],
  );
  if (made.solution) {
    expect(made.bound).toBeCloseTo(best ?? 0, 6);
    expect(costOfSteps(cutoverProblem(instance), stepsOf(instance, made.solution))).toBeCloseTo(best ?? 0, 6);
  }
}

describe('the model of the order of a cut-over', () => {
  it('equals the best of all orders, and is infeasible where there is none', () => {
    fc.assert(fc.property(anyInstance, expectsForce), { numRuns: examples(150, 500) });
  });

  it.each([
    [8, 1],
    [8, 2],
    [10, 3],
    [10, 4],
    [11, 5],
    [11, 6],
    [11, 7],
  ])('equals exhaustive dynamic programming: %i things, seed %i', (count, seed) => {
    expectsForce(cutoverInstance(count, seed));
  });

  it.each([1, 2, 3])('equals a general MILP solver: 5 things, seed %i', async (seed) => {
    const instance = cutoverInstance(5, seed);
    const made = solveCutover(instance, clock());
    const highs = await loadHighs();
    const optimum = highs.solve(cutoverLp(instance), { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: 60 });
    if (made.objective === null) expect(optimum.Status).toBe('Infeasible');
    else expect(optimum.ObjectiveValue).toBeCloseTo(made.objective, 4);
  });

  it('proves 20 things, and 28 nearly always', () => {
    for (const seed of [1, 2, 3]) {
      const made = solveCutover(cutoverInstance(20, seed), clock());
      expect(made.status).not.toBe('best-found');
    }
    expect(solveCutover(cutoverInstance(28, 8), clock()).status).toBe('optimal');
  });

  it.each([31, 32, 33, 63, 64])('takes %i things that move one after the other', (count) => {
    // Each stands where the one before it is to go: the last goes first, into the free unit.
    const instance = CutoverInstance.parse({
      units: count + 1,
      things: Array.from({ length: count }, (_, at) => ({
        id: `t${at}`,
        height: 1,
        from: at + 1,
        to: at + 2,
        takeMin: 1,
        putMin: 1,
      })),
      services: [
        {
          id: 's',
          weight: 1,
          ways: [
            [
              { thing: 't0', at: 'any' },
              { thing: `t${count - 1}`, at: 'any' },
            ],
          ],
        },
      ],
    });
    const made = solveCutover(instance, clock());
    expect(made).toMatchObject({ status: 'optimal', objective: 4 });
    expect(made.solution?.steps.map(({ thing }) => thing)).toEqual(
      Array.from({ length: count }, (_, at) => `t${count - 1 - at}`),
    );
  });

  it('gives what it has when it is stopped, with a bound that holds', () => {
    const instance = cutoverInstance(16, 3);
    const best = solveCutover(instance, clock()).objective ?? 0;
    let looks = 0;
    const made = solveCutover(instance, { seed: 1, now: () => looks++, untilMs: 6 });
    expect(made.bound ?? 0).toBeLessThanOrEqual(best + 1e-6);
    if (made.objective !== null) expect(made.objective).toBeGreaterThanOrEqual(best - 1e-6);
  });

  it('a unit more, a place more to park or a rule less never makes it worse', () => {
    fc.assert(
      fc.property(anyInstance, (instance) => {
        const cost = (of: CutoverInstance) => solveCutover(of, clock()).objective ?? Number.POSITIVE_INFINITY;
        const now = cost(instance);
        expect(cost({ ...instance, parkLimit: instance.parkLimit + 1 })).toBeLessThanOrEqual(now + 1e-6);
        expect(cost({ ...instance, rules: instance.rules.slice(1) })).toBeLessThanOrEqual(now + 1e-6);
        expect(cost({ ...instance, units: instance.units + 1 })).toBeLessThanOrEqual(now + 1e-6);
      }),
      { numRuns: 150 },
    );
  });

  it('a swap needs one place to park; what is redundant stays up', () => {
    // By hand: a and b change places. One is parked (take 1), the other moved (3), the first fetched (2). With both needed the
    // service is dark for all six minutes; where one is enough, never.
    const swap = (ways: { thing: string; at: 'any' }[][]) =>
      CutoverInstance.parse({
        units: 2,
        parkLimit: 1,
        parkPenalty: 10,
        things: [
          { id: 'a', height: 1, from: 1, to: 2, takeMin: 1, putMin: 2, canPark: true },
          { id: 'b', height: 1, from: 2, to: 1, takeMin: 1, putMin: 2, canPark: true },
        ],
        services: [{ id: 's', weight: 5, ways }],
      });
    const [a, b] = (['a', 'b'] as const).map((thing) => ({ thing, at: 'any' as const }));
    if (!a || !b) throw new Error('two things');
    expect(solveCutover(swap([[a, b]]), clock())).toMatchObject({ status: 'optimal', objective: 6 * 5 + 10 });
    expect(solveCutover(swap([[a], [b]]), clock())).toMatchObject({ status: 'optimal', objective: 3 * 5 + 10 });
    expect(solveCutover({ ...swap([[a]]), parkLimit: 0 }, clock())).toMatchObject({ status: 'infeasible' });
  });

  it('says what is wrong with an instance', () => {
    const thing = { id: 'a', height: 1, from: 1, to: 2 };
    const of = (fields: object) => () =>
      cutoverProblem(CutoverInstance.parse({ units: 2, things: [thing], ...fields }));
    expect(of({ things: [thing, thing] })).toThrow('an id stands twice');
    expect(of({ things: [{ ...thing, from: null, to: null }] })).toThrow('stands nowhere');
    expect(of({ things: [{ ...thing, to: 3 }] })).toThrow('expected units 1 to 2');
    expect(of({ rules: [{ thing: 'a', on: 'take', needs: 'x' }] })).toThrow('there is no thing “x”');
  });
});
