import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagnoseInstance } from '../../../tests/support/diagnose';
import { lookAhead } from '../../core/base/solve/diagnosis/lookAhead';
import { leastCost, mendLine, treeCost } from '../../core/base/solve/diagnosis/problem';
import { DiagnoseInstance, diagnosisProblem, type NamedTree, solveDiagnose } from './diagnose';

const clock = (seconds = 10) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});

const anyInstance = fc
  .record({
    suspects: fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 9 })), {
      minLength: 1,
      maxLength: 6,
    }),
    tests: fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 63 })), { maxLength: 5 }),
  })
  .map(({ suspects, tests }) =>
    DiagnoseInstance.parse({
      suspects: suspects.map(([odds, mendMin], at) => ({ id: `s${at}`, odds, mendMin })),
      tests: tests.map(([minutes, mask], at) => ({
        id: `t${at}`,
        minutes,
        finds: suspects.flatMap((_, slot) => ((mask >> slot) & 1 ? [`s${slot}`] : [])),
      })),
    }),
  );

/** The least expected minutes by trying every plan, on names and fractions, sharing no code with the solver. */
function byForce({ suspects, tests }: DiagnoseInstance): number {
  const known = new Map<string, number>();
  const least = (left: readonly string[]): number => {
    if (left.length === 0) return 0;
    const key = left.join();
    const there = known.get(key);
    if (there !== undefined) return there;
    const oddsOf = (ids: readonly string[]) =>
      suspects.reduce((sum, one) => sum + (ids.includes(one.id) ? one.odds : 0), 0);
    const all = oddsOf(left);
    let best = Number.POSITIVE_INFINITY;
    for (const one of suspects.filter(({ id }) => left.includes(id))) {
      const rest = left.filter((id) => id !== one.id);
      best = Math.min(best, one.mendMin + (rest.length === 0 ? 0 : (oddsOf(rest) / all) * least(rest)));
    }
    for (const { minutes, finds } of tests) {
      const yes = left.filter((id) => finds.includes(id));
      const no = left.filter((id) => !finds.includes(id));
      if (yes.length === 0 || no.length === 0) continue;
      best = Math.min(best, minutes + (oddsOf(yes) / all) * least(yes) + (oddsOf(no) / all) * least(no));
    }
    known.set(key, best);
    return best;
  };
  return least(suspects.map(({ id }) => id));
}

/** Expected minutes of a named tree, fault by fault. */
function playedOut({ suspects, tests }: DiagnoseInstance, tree: NamedTree | null): number {
  const all = suspects.reduce((sum, { odds }) => sum + odds, 0);
  return suspects.reduce((sum, fault) => {
    let minutes = 0;
    for (let at = tree; ; ) {
      if (at === null) throw new Error(`${fault.id} is never found`);
      if ('mend' in at) {
        const { mend } = at;
        minutes += suspects.find(({ id }) => id === mend)?.mendMin ?? 0;
        if (mend === fault.id) break;
        at = at.else;
      } else {
        const { test } = at;
        const one = tests.find(({ id }) => id === test);
        minutes += one?.minutes ?? 0;
        at = one?.finds.includes(fault.id) ? at.yes : at.no;
      }
    }
    return sum + (fault.odds / all) * minutes;
  }, 0);
}

describe('the model of what to look at first', () => {
  it('equals the best of all plans, and its tree costs what it says', () => {
    fc.assert(
      fc.property(anyInstance, (instance) => {
        const made = solveDiagnose(instance, clock());
        expect(made.status).toBe('optimal');
        expect(made.objective).toBeCloseTo(byForce(instance), 8);
        expect(playedOut(instance, made.solution?.tree ?? null)).toBeCloseTo(made.objective ?? 0, 8);
      }),
      { numRuns: 400 },
    );
  });

  it('mends by odds a minute where there are no tests', () => {
    // Exchange argument: b (6 of odds in 2 min) before a (3 in 2 min) before c (1 in 1 min): 2 + 4/10 × 2 + 1/10 × 1 = 2.9.
    const instance = DiagnoseInstance.parse({
      suspects: [
        { id: 'a', odds: 3, mendMin: 2 },
        { id: 'b', odds: 6, mendMin: 2 },
        { id: 'c', odds: 1, mendMin: 1 },
      ],
    });
    expect(solveDiagnose(instance, clock())).toMatchObject({
      objective: expect.closeTo(2.9, 9),
      solution: { tree: { mend: 'b', else: { mend: 'a', else: { mend: 'c', else: null } } } },
    });
  });

  it('a test more, or one that is cheaper, never makes it longer', () => {
    fc.assert(
      fc.property(anyInstance, (instance) => {
        const cost = (of: DiagnoseInstance) => solveDiagnose(of, clock()).objective ?? 0;
        const now = cost(instance);
        expect(cost({ ...instance, tests: instance.tests.slice(1) })).toBeGreaterThanOrEqual(now - 1e-9);
        const cheaper = instance.tests.map((test) => ({ ...test, minutes: test.minutes / 2 }));
        expect(cost({ ...instance, tests: cheaper })).toBeLessThanOrEqual(now + 1e-9);
      }),
      { numRuns: 100 },
    );
  });

  it('the bound never lies above the best', () => {
    fc.assert(
      fc.property(anyInstance, (instance) => {
        const problem = diagnosisProblem(instance);
        const all = problem.odds.reduce((sum, one) => sum + one, 0);
        const suspects = instance.suspects.map((_, at) => at);
        expect(leastCost(problem, suspects) / all).toBeLessThanOrEqual(byForce(instance) + 1e-9);
      }),
      { numRuns: 200 },
    );
  });

  it('proves 16 and 20 suspects', () => {
    expect(solveDiagnose(diagnoseInstance(16, 1), clock()).status).toBe('optimal');
    expect(solveDiagnose(diagnoseInstance(20, 1), clock()).status).toBe('optimal');
  });

  it('of 40 suspects is never worse than looking four steps ahead, and holds its bound', () => {
    for (const seed of [2]) {
      const instance = diagnoseInstance(40, seed);
      const problem = diagnosisProblem(instance);
      const suspects = instance.suspects.map((_, at) => at);
      const all = problem.odds.reduce((sum, one) => sum + one, 0);
      const greedy = lookAhead(problem, suspects, 4, false, clock());
      const made = solveDiagnose(instance, clock(1.5));
      expect(made.objective ?? 0).toBeLessThanOrEqual(treeCost(problem, suspects, greedy) / all + 1e-9);
      expect(made.bound ?? 0).toBeLessThanOrEqual(made.objective ?? 0);
      expect(playedOut(instance, made.solution?.tree ?? null)).toBeCloseTo(made.objective ?? 0, 6);
      const line = mendLine(problem, suspects).reduceRight<NamedTree | null>(
        (rest, at) => ({ mend: instance.suspects[at]?.id ?? '', else: rest }),
        null,
      );
      expect(made.objective ?? 0).toBeLessThanOrEqual(playedOut(instance, line));
    }
  });

  it('says what is wrong with an instance', () => {
    const one = { id: 'a', odds: 1, mendMin: 1 };
    const of = (fields: object) => () => diagnosisProblem(DiagnoseInstance.parse({ suspects: [one], ...fields }));
    expect(of({ suspects: [one, one] })).toThrow('an id stands twice');
    expect(of({ tests: [{ id: 't', minutes: 1, finds: ['x'] }] })).toThrow('which is no suspect');
  });
});
