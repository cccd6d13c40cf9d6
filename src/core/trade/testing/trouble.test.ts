import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, patched } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { patchCordsOf } from '../../job/document/cordKinds';
import { indexJob } from '../../job/document/jobIndex';
import { SYMPTOMS } from '../../job/records/mend';
import { type Result, results } from '../../job/records/result';
import { testPace, yieldsBy } from './figures';
import { gateOf, standsAs, vouchFor } from './gate';
import { findsOf, oddsOf } from './odds';
import { answerTo, bestWay, LEVELS, practiceCase } from './practice';
import { contradictingAnswers, leftAfter, planTrouble, runsSharingWith, troubleOf } from './trouble';

const limits = () => ({ seed: 1, now: () => performance.now(), untilMs: performance.now() + 5000 });
const job = patched(
  bench({ 1: { room: 'Hall', device: 'desk', speedMbps: 1000 }, 2: { room: 'Den', device: 'desk' } }),
  '1',
  '2',
);
const [one] = indexJob(job).runsInOrder;
if (!one) throw new Error('a run');
const tested = (...fields: Partial<Result>[]) =>
  apply(job, {
    type: 'keepRows',
    rows: fields.map((more, at) => ({
      table: 'results' as const,
      record: results.make({ id: `r${at}`, runId: one.id, passed: true, at: `2026-12-07T18:0${at}`, ...more }),
    })),
  });
describe('figures', () => {
  it('are told by jack, person and day, with bounds, and say when it will be done', () => {
    const ended = apply(tested({ passed: false }, { passed: true }), {
      type: 'keepRows',
      rows: [
        { table: 'terminations', record: { id: 't', runId: one.id, end: 'panel', by: 'Kim', on: '', checks: [] } },
      ],
    });
    expect(yieldsBy(ended, 'person')).toMatchObject([{ of: 'Kim', tested: 1, passedFirst: 0 }]);
    expect(yieldsBy(ended, 'jack')).toMatchObject([{ of: 'punch' }]);
    expect(yieldsBy(ended, 'day')).toMatchObject([{ of: '2026-12-07' }]);
    expect(testPace(job, '2026-12-08')).toMatchObject({ left: 2, minutesEach: null, doneOn: null });
    const minutes = tested({}, {}, {}, {}, {});
    expect(testPace(minutes, '2026-12-08')).toMatchObject({ left: 2, minutesEach: 1, minutesLeft: 2, aDay: 1 });
    expect(testPace(minutes, '2026-12-08').doneOn).toBe('2026-12-09');
  });
});

describe('what keeps a job from being handed over', () => {
  it('is every run, cord, uplink and feed that nobody proved, or stands for as what it was', () => {
    const [cord] = Object.values(patchCordsOf(job));
    if (!cord) throw new Error('a cord');
    const open = (of: typeof job) =>
      gateOf(of).flatMap((thing) => (thing.open ? [`${thing.kind} ${thing.state}`] : []));
    expect(open(job)).toEqual(['run not tested', 'run not tested', 'cord not signed off', 'cord not signed off']);
    const said = { id: 'v', how: 'eye' as const, by: 'Kim', why: '', at: '' };
    const vouched = apply(job, {
      type: 'keepRows',
      rows: [{ table: 'vouches', record: vouchFor(job, 'cord', cord.id, said) }],
    });
    expect(open(vouched)).toHaveLength(3);
    const moved = apply(vouched, {
      type: 'editRows',
      edits: [{ table: 'cords', id: cord.id, changes: { toPort: 9 } }],
    });
    expect(standsAs(moved, 'cord', cord.id)).not.toBe(standsAs(job, 'cord', cord.id));
    expect(open(moved)).toContain('cord changed');
    const without = { ...vouchFor(job, 'cord', cord.id, said), how: 'accepted' as const };
    expect(() => apply(job, { type: 'keepRows', rows: [{ table: 'vouches', record: without }] })).toThrow('reason');
    // It goes with its cord.
    expect(apply(vouched, { type: 'dropRows', table: 'cords', ids: [cord.id] }).vouches).toEqual({});
  });
});

describe('trouble', () => {
  const quillback = powered();
  const run = indexJob(quillback).runsInOrder.find(({ device }) => device !== '');
  if (!run) throw new Error('a run');

  it('has suspects, tests that part them, and a proven way for each of what is seen', () => {
    for (const symptom of SYMPTOMS) {
      const trouble = troubleOf(quillback, run, symptom);
      const plan = planTrouble(trouble, limits());
      expect(plan.proven).toBe(true);
      const plain = planTrouble({ suspects: trouble.suspects, tests: [] }, limits());
      expect(plan.expectedMin).toBeLessThanOrEqual(plain.expectedMin);
      for (const { finds } of trouble.tests)
        for (const id of finds) expect(trouble.suspects.map((s) => s.id)).toContain(id);
    }
  });

  it('others that are dead too speak against what they share, those that work for it', () => {
    const index = indexJob(quillback);
    const sharing = index.runsInOrder.filter((other) => other.id !== run.id).map(({ id }) => id);
    const odds = (dead: string[], sound: string[]) =>
      troubleOf(quillback, run, 'dark', dead, sound).suspects.find(({ part }) => part === 'switch')?.odds ?? 0;
    expect(odds(sharing, [])).toBeGreaterThan(odds([], []));
    expect(odds([], sharing)).toBeLessThan(odds([], []));
  });

  it('each answer narrows it down to the fault, whichever it is', () => {
    const trouble = troubleOf(quillback, run, 'slow');
    fc.assert(
      fc.property(fc.constantFrom(...trouble.suspects), (fault) => {
        const answers: { id: string; yes: boolean }[] = [];
        for (let round = 0; round < 20; round++) {
          const { left, contradiction } = leftAfter(trouble, answers);
          expect(contradiction).toBe(false);
          expect(left.map(({ id }) => id)).toContain(fault.id);
          const { tree } = planTrouble({ suspects: left, tests: trouble.tests }, limits());
          if (!tree) throw new Error('no way');
          if ('mend' in tree) {
            if (left[tree.mend]?.id === fault.id) return;
            answers.push({ id: left[tree.mend]?.id ?? '', yes: false });
          } else {
            const test = trouble.tests[tree.test];
            answers.push({ id: test?.id ?? '', yes: test?.finds.includes(fault.id) ?? false });
          }
        }
        throw new Error(`${fault.id} is never found`);
      }),
    );
  });

  it('says when answers contradict each other', () => {
    const trouble = troubleOf(quillback, run, 'slow');
    const answers = [
      { id: 'wire-map', yes: true },
      { id: 'good-device', yes: true },
    ];
    expect(leftAfter(trouble, answers).contradiction).toBe(true);
    expect(contradictingAnswers(trouble, [{ id: 'lamp', yes: false }, ...answers])).toEqual([1, 2]);
    expect(contradictingAnswers(trouble, answers.slice(0, 1))).toEqual([]);
  });

  it('what feeds the switch and its way up are suspected where others that hang on them are dead too', () => {
    const others = runsSharingWith(quillback, run);
    expect(others.length).toBeGreaterThan(0);
    const of = (dead: string[]) => troubleOf(quillback, run, 'dark', dead).suspects;
    const share = (dead: string[]) => {
      const all = of(dead);
      const total = all.reduce((sum, { odds }) => sum + odds, 0);
      return (
        all.filter(({ part }) => part === 'switch' || part === 'supply').reduce((sum, { odds }) => sum + odds, 0) /
        total
      );
    };
    expect(of([]).some(({ part }) => part === 'supply')).toBe(true);
    expect(share(others.slice(0, 2).map(({ id }) => id))).toBeGreaterThan(share([]));
  });

  it('a better test never makes the expected minutes longer', () => {
    const trouble = troubleOf(quillback, run, 'slow');
    const before = planTrouble(trouble, limits()).expectedMin;
    fc.assert(
      fc.property(fc.nat(trouble.tests.length - 1), fc.double({ min: 0, max: 1, noNaN: true }), (at, less) => {
        const tests = trouble.tests.map((test, slot) =>
          slot === at ? { ...test, minutes: test.minutes * less } : test,
        );
        expect(planTrouble({ suspects: trouble.suspects, tests }, limits()).expectedMin).toBeLessThanOrEqual(
          before + 1e-9,
        );
        const more = [...trouble.tests, { ...trouble.tests[at], id: 'more', minutes: 1 } as (typeof tests)[number]];
        expect(planTrouble({ suspects: trouble.suspects, tests: more }, limits()).expectedMin).toBeLessThanOrEqual(
          before + 1e-9,
        );
      }),
      { numRuns: 30 },
    );
  });
});

describe('odds', () => {
  const found = (...parts: ('cable' | 'device')[]) =>
    apply(job, {
      type: 'keepRows',
      rows: parts.map((part, at) => ({
        table: 'mends' as const,
        record: {
          id: `m${at}`,
          runId: one.id,
          symptom: 'dark' as const,
          part,
          words: '',
          minutes: null,
          by: '',
          at: '',
        },
      })),
    });
  const share = (of: typeof job, part: string) => oddsOf(of, 'dark').find((odds) => odds.part === part)?.share ?? 0;

  it('are a rule of thumb at first, drawn to what was found, and add up to one', () => {
    expect(share(job, 'device')).toBeCloseTo(0.23);
    expect(share(found('cable', 'cable', 'cable'), 'cable')).toBeCloseTo((0.04 * 20 + 3) / 23);
    for (const of of [job, found('cable'), found('device', 'cable')])
      for (const symptom of SYMPTOMS)
        expect(oddsOf(of, symptom).reduce((sum, odds) => sum + odds.share, 0)).toBeCloseTo(1);
    expect(findsOf(found('cable', 'device')).dark).toEqual({ cable: 1, device: 1 });
  });

  it('are changed by hand, for one job', () => {
    const changed = apply(job, {
      type: 'keepRows',
      rows: [{ table: 'partOdds', record: { id: 'o', symptom: 'dark', part: 'cable', weight: 50 } }],
    });
    expect(share(changed, 'cable')).toBeCloseTo(50 / 146);
    expect(oddsOf(changed, 'dark').find(({ part }) => part === 'cable')?.changed).toBe(true);
  });
});

describe('practice', () => {
  it('has ten levels, each case the same by its seed, with its faults among its suspects', () => {
    expect(LEVELS).toHaveLength(10);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10 }), fc.nat(10_000), (level, seed) => {
        const given = practiceCase(level, seed);
        expect(practiceCase(level, seed)).toEqual(given);
        expect(new Set(given.faults).size).toBe(level === 10 ? 2 : 1);
        const ids = given.suspects.map(({ id }) => id);
        for (const id of given.faults) expect(ids).toContain(id);
        const best = bestWay(given);
        expect(best.steps.at(-1)?.answer).toBe('that was it');
        expect(best.minutes).toBeGreaterThan(0);
      }),
      { numRuns: 60, examples: Array.from({ length: 40 }, (_, seed): [number, number] => [10, seed]) },
    );
  });

  it('takes no longer on average than mending one part after the other, likeliest first', () => {
    let [best, plain] = [0, 0];
    for (let seed = 0; seed < 60; seed++) {
      const given = practiceCase(4, seed);
      best += bestWay(given).minutes;
      for (const one of [...given.suspects].sort((a, b) => b.odds - a.odds)) {
        plain += one.mendMin;
        if (given.faults.includes(one.id)) break;
      }
    }
    expect(best).toBeLessThan(plain);
  });

  it('answers tests by the faults that are left', () => {
    const given = practiceCase(3, 1);
    const finding = given.tests.find(({ finds }) => finds.includes(given.faults[0] ?? ''));
    expect(finding && answerTo(given, finding.id, given.faults)).toBe(true);
    expect(finding && answerTo(given, finding.id, [])).toBe(false);
  });
});
