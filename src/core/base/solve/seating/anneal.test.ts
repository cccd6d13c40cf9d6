import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../random';
import { anneal } from './anneal';
import { fewestUnseated, isBetter, judge, type SeatingProblem } from './problem';
import { dealInOrder } from './seatInOrder';

const problems = fc
  .record({
    reach: fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 2, maxLength: 9 }),
    rooms: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 9, maxLength: 9 }),
    way: fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 2, maxLength: 10 }),
    joined: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 10, maxLength: 10 }),
  })
  .map(
    ({ reach, rooms, way, joined }): SeatingProblem => ({
      reach: Float64Array.from(reach),
      roomOf: Int32Array.from(reach, (_, item) => rooms[item] as number),
      way: Float64Array.from(way),
      joined: Uint8Array.from(way, (_, seat) => (seat > 0 && joined[seat] !== 0 ? 1 : 0)),
      roomBreak: 5,
      orderBreakInRoom: 3,
      orderBreakBetweenRooms: 1,
    }),
  );
const limits = (moves: number, seed: number) => ({ random: seededRandom(seed), moves, isOver: () => false });

describe('annealing a seating', () => {
  it('keeps everybody within reach on a seat of their own, seats no fewer, and is never worse', () => {
    fc.assert(
      fc.property(problems, fc.integer({ min: 1, max: 1000 }), (problem, seed) => {
        const start = dealInOrder(problem);
        const found = anneal(problem, start.seatOf, limits(2000, seed));
        // Judging refuses a seat that is taken twice or out of reach.
        expect(judge(problem, found.seatOf)).toMatchObject({ disorder: found.disorder, unseated: found.unseated });
        expect(found.unseated).toBe(start.unseated);
        expect(found.unseated).toBeGreaterThanOrEqual(fewestUnseated(problem));
        expect(isBetter(start, found)).toBe(false);
      }),
      { numRuns: 200 },
    );
  });

  it('puts a line in order that begins all in disorder', () => {
    const problem: SeatingProblem = {
      reach: new Float64Array(8).fill(100),
      roomOf: Int32Array.of(0, 0, 0, 1, 1, 1, 2, 2),
      way: Float64Array.from({ length: 8 }, (_, seat) => seat),
      joined: Uint8Array.of(0, 1, 1, 1, 1, 1, 1, 1),
      roomBreak: 5,
      orderBreakInRoom: 3,
      orderBreakBetweenRooms: 1,
    };
    const start = Int32Array.of(7, 5, 3, 1, 6, 4, 2, 0);
    expect(judge(problem, start).disorder).toBeGreaterThan(20);
    expect(anneal(problem, start, limits(40_000, 1)).disorder).toBe(0);
  });
});
