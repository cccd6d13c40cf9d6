import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { examples } from '../../../tests/support/examples';
import { tailsInstance, tailsLp } from '../../../tests/support/tails';
import { isBetter, judge, type Seating, type SeatingProblem } from '../../core/base/solve/seating/problem';
import { seatInOrder } from '../../core/base/solve/seating/seatInOrder';
import { solveTails, TailsInstance } from './tails';

const clock = (seconds = 30) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});

/** The best seating by trying all of them. */
function byForce(problem: SeatingProblem): Seating {
  const seatOf = new Int32Array(problem.reach.length).fill(-1);
  let best = judge(problem, seatOf);
  const go = (item: number) => {
    if (item === seatOf.length) {
      const found = judge(problem, seatOf);
      if (isBetter(found, best)) best = { ...found, seatOf: Int32Array.from(seatOf) };
      return;
    }
    go(item + 1);
    for (let seat = 0; seat < problem.way.length; seat++) {
      if (seatOf.includes(seat) || (problem.way[seat] ?? 0) > (problem.reach[item] ?? 0)) continue;
      seatOf[item] = seat;
      go(item + 1);
      seatOf[item] = -1;
    }
  };
  go(0);
  return best;
}

const small = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 6 })).chain(([items, seats]) => {
  const each = <T>(of: fc.Arbitrary<T>, count: number) => fc.array(of, { minLength: count, maxLength: count });
  return fc
    .record({
      reach: each(fc.integer({ min: 0, max: 12 }), items),
      rooms: each(fc.integer({ min: 0, max: items - 1 }), items),
      way: each(fc.integer({ min: 0, max: 10 }), seats),
      joined: each(fc.constantFrom(1, 1, 1, 0), seats),
      roomBreak: fc.integer({ min: 0, max: 6 }),
      orderBreakInRoom: fc.integer({ min: 0, max: 4 }),
      orderBreakBetweenRooms: fc.integer({ min: 0, max: 4 }),
    })
    .map(
      ({ rooms, reach, way, joined, ...weights }): SeatingProblem => ({
        ...weights,
        reach: Float64Array.from(reach),
        roomOf: Int32Array.from(rooms),
        way: Float64Array.from(way),
        joined: Uint8Array.from(joined, (one, at) => (at === 0 ? 0 : one)),
      }),
    );
});

describe('seats in order', () => {
  it('are as good as the best of all seatings, and proven', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const { seatOf, unseated, disorder, spare } = byForce(problem);
        const found = seatInOrder(problem, clock());
        expect(found.proven).toBe(true);
        expect([found.unseated, found.disorder, found.spare]).toEqual([unseated, disorder, spare]);
        expect(judge(problem, found.seatOf)).toMatchObject({ unseated, disorder, spare });
        expect(seatOf).toHaveLength(problem.reach.length);
      }),
      { numRuns: examples(100, 400) },
    );
  });
});

describe('the model of tails', () => {
  it.each([
    [8, 1],
    [8, 3],
    [12, 2],
    [12, 3],
  ])('equals the optimum of a general MILP solver: %i tails, seed %i', async (count, seed) => {
    const instance = tailsInstance(count, seed, 0);
    const { status, objective, bound } = solveTails(instance, clock());
    const highs = await loadHighs();
    const optimum = highs.solve(tailsLp(instance), { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: 60 });
    expect(optimum.Status).toBe('Optimal');
    expect(status).toBe('optimal');
    expect(objective).toBeCloseTo(optimum.ObjectiveValue, 2);
    expect(bound).toBe(objective);
  });

  it('proves 24 tails, also where one finds no port', () => {
    expect(solveTails(tailsInstance(24, 4), clock()).status).toBe('optimal');
    const lacking = solveTails(tailsInstance(24, 1, 0), clock());
    expect(lacking.status).toBe('optimal');
    expect(Object.values(lacking.solution?.portOf ?? {}).filter((port) => port === null)).toHaveLength(1);
  });

  it('does not depend on the order in which tails and ports are listed', () => {
    const instance = tailsInstance(12, 5, 0);
    const turned = { ...instance, tails: instance.tails.toReversed(), ports: instance.ports.toReversed() };
    expect(solveTails(turned, clock()).objective).toBe(solveTails(instance, clock()).objective);
  });

  it('counts every term as the model says', () => {
    // By hand: b reaches the first port only, so a goes behind it: the pair is broken within the room, the room is not.
    const instance = TailsInstance.parse({
      minSpare_mm: 10,
      weights: { roomBreak: 5, orderBreakInRoom: 3, orderBreakBetweenRooms: 1 },
      ports: [1, 2, 3].map((port) => ({ id: `p${port}`, panel: 'p', port, path_mm: port * 100 })),
      tails: [
        { id: 'a', room: 'r', order: 1, free_mm: 400 },
        { id: 'b', room: 'r', order: 2, free_mm: 150 },
      ],
    });
    expect(solveTails(instance, clock())).toMatchObject({
      status: 'optimal',
      objective: 3e4 - 50,
      solution: { portOf: { a: 'p2', b: 'p1' } },
    });
    const none = { ...instance, tails: instance.tails.map((tail) => ({ ...tail, free_mm: 20 })) };
    expect(solveTails(none, clock())).toMatchObject({
      status: 'optimal',
      objective: 2e8 + 3e4,
      solution: { portOf: { a: null, b: null } },
    });
  });
});
