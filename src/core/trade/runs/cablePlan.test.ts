import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, counter, surveyed } from '../../../../tests/support/jobs';
import type { RunChanges } from '../../job/commands/runs';
import type { Job } from '../../job/document/job';
import { answerCommand } from '../survey/answers/answers';
import { cablePlanCommands, cutLengthMm, leftInBoxMm, planCable, toPull } from './cablePlan';
import { pullSheet } from './pullSheet';

const limits = () => {
  let count = 0;
  return { now: () => count++, untilMs: 4000 };
};
const plan = (job: Job) => planCable(job, limits(), counter('box'));
const take = (job: Job) => apply(job, ...cablePlanCommands(job, plan(job)));
const box = (id: string, leftMm: number, fields: object = {}) => ({
  table: 'boxes' as const,
  record: { id, name: id, cable: 'Cat 6 U/UTP', leftMm, bought: false, markMm: null, marksFall: true, ...fields },
});
const runs = (fields: Record<string, RunChanges>): Job =>
  bench(Object.fromEntries(Object.entries(fields).map(([label, one]) => [label, { cable: 'Cat 6 U/UTP', ...one }])));

const pulledTogether = (job: ReturnType<typeof surveyed>) => apply(job, answerCommand(job, 'pull-together', 'yes'));

describe('which runs are pulled', () => {
  it('new ones of this job that are still wanted', () => {
    const job = runs({
      1: {},
      2: { state: 'pulled' },
      3: { origin: 'found' },
      4: { scope: 'later' },
      5: { state: 'failed' },
    });
    expect(toPull(job).map((run) => run.label)).toEqual(['1']);
  });

  it('with the spare of the job, up to the next tenth of a metre', () => {
    const job = runs({ 1: { lengthMm: 20_010 } });
    const [run] = Object.values(job.runs);
    const length = (of: Job) => cutLengthMm(of, run as never);
    expect(length(job)).toBe(20_100);
    expect(length(apply(job, answerCommand(job, 'pull-spare', '10')))).toBe(22_100);
    expect(length(runs({ 1: {} }))).toBe(20_100);
    expect(cutLengthMm(runs({ 1: {} }), Object.values(runs({ 1: {} }).runs)[0] as never)).toBeNull();
  });
});

describe('the boxes of a plan', () => {
  it('at hand are used up before new ones are bought', () => {
    const job = apply(runs({ 1: { lengthMm: 40_000 }, 2: { lengthMm: 30_000 } }), {
      type: 'keepRows',
      rows: [box('rest', 70_000)],
    });
    const made = plan(job);
    expect(made.buys).toMatchObject([{ opened: 0, scrapMm: 0, keptMm: 0, proven: true }]);
    expect(made.boxes.map((one) => one.id)).toEqual(['rest']);
  });

  it('are one each for the runs of an outlet that are pulled together', () => {
    const job = runs({ 1: { outlet: 'desk', lengthMm: 10_000 }, 2: { outlet: 'desk', lengthMm: 10_000 } });
    // Any box does unless somebody wants the runs of an outlet pulled at once.
    expect(plan(job).buys[0]?.opened).toBe(1);
    expect(new Set(plan(job).cuts.map((cut) => cut.pull)).size).toBe(2);
    expect(plan(pulledTogether(job)).buys[0]?.opened).toBe(2);
  });

  it('are of one kind however its name is written', () => {
    const job = runs({
      1: { lengthMm: 10_000, cable: 'Cat6' },
      2: { lengthMm: 10_000, cable: 'CAT 6' },
      3: { lengthMm: 10_000, cable: 'cat.6' },
    });
    expect(plan(job).buys).toMatchObject([{ runs: 3, opened: 1 }]);
  });

  it('of another kind of cable are left alone', () => {
    const job = apply(runs({ 1: { lengthMm: 10_000 } }), {
      type: 'keepRows',
      rows: [box('coax', 100_000, { cable: 'RG-6' }), box('same', 100_000, { cable: ' CAT 6 u/utp ' })],
    });
    expect(plan(job).boxes.map((one) => one.id)).toEqual(['same']);
  });

  it('have the length of a full box of their kind', () => {
    const coax = bench({ T: { carries: 'coax', cable: 'RG-6', lengthMm: 20_000 } });
    expect(plan(coax).buys[0]).toMatchObject({ boxMm: 152_500, opened: 1, keptMm: 132_500 });
    const unknown = bench({ T: { cable: 'string', lengthMm: 20_000 } });
    expect(plan(unknown).buys[0]?.boxMm).toBe(305_000);
  });

  it('taken by names that are free', () => {
    const job = apply(runs({ 1: { lengthMm: 300_000 }, 2: { lengthMm: 300_000 } }), {
      type: 'keepRows',
      rows: [box('old', 1000, { name: 'New 1' })],
    });
    const names = Object.values(take(job).boxes).map((one) => one.name);
    expect(names.sort()).toEqual(['New 1', 'New 2', 'New 3']);
  });

  it('planned anew after a run grew: the cut grows, the count stays', () => {
    const job = take(runs({ 1: { lengthMm: 20_000 }, 2: { lengthMm: 30_000 } }));
    const longer = apply(job, { type: 'editRuns', edits: [{ runId: 'run-1', changes: { lengthMm: 25_000 } }] });
    const again = take(longer);
    expect(Object.values(again.cuts).find((cut) => cut.runId === 'run-1')?.lengthMm).toBe(25_000);
    expect(Object.keys(again.boxes)).toHaveLength(1);
  });

  it('go, with their cuts, when nothing is left to pull', () => {
    const job = take(runs({ 1: { lengthMm: 20_000 } }));
    const none = apply(job, { type: 'editRuns', edits: [{ runId: 'run-1', changes: { scope: 'later' } }] });
    const again = apply(none, ...cablePlanCommands(none, plan(none)));
    expect([again.boxes, again.cuts]).toEqual([{}, {}]);
  });

  it('hold what they are asked for, whatever the runs, and leave nothing out without a reason', () => {
    const some = fc.array(
      fc.record({ lengthMm: fc.integer({ min: 100, max: 120_000 }), outlet: fc.constantFrom('', 'a', 'b', 'c') }),
      { minLength: 1, maxLength: 14 },
    );
    const rests = fc.array(fc.integer({ min: 1000, max: 120_000 }), { maxLength: 3 });
    fc.assert(
      fc.property(some, rests, (wanted, left) => {
        const start = pulledTogether(runs(Object.fromEntries(wanted.map((one, at) => [`R${at}`, one]))));
        const job =
          left.length > 0
            ? apply(start, { type: 'keepRows', rows: left.map((mm, at) => box(`rest-${at}`, mm)) })
            : start;
        const made = plan(job);
        expect(made.cuts.length + made.left.length).toBe(wanted.length);
        const taken = apply(job, ...cablePlanCommands(job, made));
        for (const line of pullSheet(taken)) expect(line.leftMm).toBeGreaterThanOrEqual(0);
        const together = new Set<string>();
        for (const { run, box: from } of pullSheet(taken)) {
          if (run.outlet === '') continue;
          expect(together.has(`${run.outlet} ${from.id}`)).toBe(false);
          together.add(`${run.outlet} ${from.id}`);
        }
        for (const buy of made.buys) expect(buy.openedBound).toBeLessThanOrEqual(buy.opened);
      }),
      { numRuns: 40 },
    );
  });
});

describe('the pulls', () => {
  it('go floor by floor, far rooms first, the runs of one outlet together', () => {
    const job = take(pulledTogether(surveyed()));
    const lines = pullSheet(job);
    const levels = lines.map(({ run }) => (run.floor === 'First' ? 1 : 0));
    expect([...levels].sort()).toEqual(levels);
    const pulls = new Map<number, Set<string>>();
    for (const { pull, run } of lines) pulls.set(pull, (pulls.get(pull) ?? new Set()).add(`${run.room} ${run.outlet}`));
    for (const places of pulls.values()) expect(places.size).toBe(1);
    const ground = lines.filter(({ run }) => run.floor === 'Ground');
    expect(ground[0]?.lengthMm).toBe(Math.max(...ground.map((line) => line.lengthMm)));
  });

  it('count what is left in a box from what was pulled out of it', () => {
    const job = take(runs({ 1: { lengthMm: 20_000 }, 2: { lengthMm: 30_000 } }));
    const [one] = Object.values(job.boxes);
    expect(leftInBoxMm(job, one?.id ?? '')).toBe(305_000);
    const pulled = apply(job, { type: 'editRuns', edits: [{ runId: 'run-2', changes: { state: 'tested' } }] });
    expect(leftInBoxMm(pulled, one?.id ?? '')).toBe(275_000);
    expect(leftInBoxMm(pulled, 'nowhere')).toBe(0);
  });
});
