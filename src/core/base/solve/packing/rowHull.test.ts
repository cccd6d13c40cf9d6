import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyPacking } from '../../../../../tests/support/packing';
import { seededRandom } from '../random';
import { bestSet, type RowThings } from './bestSet';
import { hasRoom, overlaps, type PackingProblem } from './problem';
import { rowHull } from './rowHull';
import { type RowKinds, rowKindsOf } from './rowKinds';

/** A problem whose things go everywhere, and its first row. */
function anyRow(seed: number, things: number): { problem: PackingProblem; row: RowKinds; of: RowThings } {
  const made = anyPacking(seed, things, 12);
  const problem = { ...made, cost: made.cost.map((one) => (Number.isFinite(one) ? one : 1)) };
  const [row] = rowKindsOf(problem).rows as [RowKinds];
  if (!row.room) throw new Error('a row of six has few fillings');
  return { problem, row, of: { kindOf: row.kindOf, room: row.room, limits: row.limits } };
}

/** Whether these things can stand side by side somewhere in a row, tried out from left to right. */
function goIn(problem: PackingProblem, row: number, set: readonly number[], placed: [number, number][] = []): boolean {
  if (set.length === placed.length) return true;
  const last = placed.at(-1);
  return set.some(
    (thing) =>
      !placed.some(([one]) => one === thing) &&
      Array.from(problem.rowOf, (_, place) => place).some(
        (place) =>
          problem.rowOf[place] === row &&
          (last === undefined || place > last[1]) &&
          hasRoom(problem, thing, place) &&
          placed.every(([one, at]) => !overlaps(problem, one, at, thing, place)) &&
          goIn(problem, row, set, [...placed, [thing, place]]),
      ),
  );
}

/** All sets of things that go into a row within its limits. */
const allSets = (problem: PackingProblem, { row, limits }: RowKinds): number[][] =>
  Array.from({ length: 2 ** problem.things }, (_, bits) =>
    Array.from({ length: problem.things }, (_, thing) => thing).filter((thing) => (bits >> thing) & 1),
  ).filter(
    (set) =>
      limits.every(({ weight, most }) => set.reduce((sum, thing) => sum + (weight[thing] ?? 0), 0) <= most) &&
      goIn(problem, row, set),
  );

const worth = (values: Float64Array, set: readonly number[]) =>
  set.reduce((sum, thing) => sum + (values[thing] ?? 0), 0);

describe('things that share a row', () => {
  it('are the set that is worth most of all that there are', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const { problem, row, of } = anyRow(seed, 7);
        const random = seededRandom(seed);
        const values = Float64Array.from({ length: 7 }, () => (random() < 0.2 ? 0 : random()));
        const sets = allSets(problem, row);
        const best = bestSet(of, values);
        expect(best?.value).toBeCloseTo(Math.max(...sets.map((set) => worth(values, set))), 9);
        expect(best?.bound).toBe(best?.value);
        const chosen = [...values.keys()].filter((thing) => best?.counts[thing] === 1);
        expect(sets).toContainEqual(chosen);
        // With one that must be there, beside which the others are chosen.
        const beside = sets.filter((set) => set.includes(0)).map((set) => set.filter((thing) => thing !== 0));
        const forced = bestSet(of, values, 0);
        if (beside.length === 0) expect(forced).toBeNull();
        else expect(forced?.value).toBeCloseTo(Math.max(...beside.map((set) => worth(values, set))), 9);
      }),
      { numRuns: 60 },
    );
  });

  it('keep every cut that broken shares break', () => {
    let cuts = 0;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const { problem, row, of } = anyRow(seed, 7);
        const random = seededRandom(seed);
        const shares = Float64Array.from({ length: 7 }, () => (random() < 0.2 ? 0 : 0.4 + 0.6 * random()));
        const cut = rowHull(of, shares, []);
        if (!cut) return;
        cuts += 1;
        expect(cut.factors.reduce((sum, factor, thing) => sum + factor * (shares[thing] ?? 0), 0)).toBeGreaterThan(
          cut.limit,
        );
        for (const set of allSets(problem, row)) expect(worth(cut.factors, set)).toBeLessThanOrEqual(cut.limit + 1e-9);
      }),
      { numRuns: 60 },
    );
    expect(cuts).toBeGreaterThan(10);
  });

  it('leave shares of whole sets alone, and mixtures of them', () => {
    const { problem, row, of } = anyRow(3, 7);
    const sets = allSets(problem, row).filter((set) => set.length > 1);
    const mixed = new Float64Array(7);
    for (const set of sets.slice(-4)) for (const thing of set) mixed[thing] = (mixed[thing] ?? 0) + 0.25;
    expect(rowHull(of, mixed, [])).toBeNull();
    const known: Uint8Array[] = [];
    rowHull(of, mixed, known);
    // What was met once is not looked for again: one more tells that there is no better.
    const met = known.length;
    rowHull(of, mixed, known);
    expect(met).toBeGreaterThan(5);
    expect(known.length).toBeLessThanOrEqual(met + 1);
  });
});
