import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommand, play } from '../../../../tests/support/anyCommand';
import { apply, bench, marrowby, patched, quillback, surveyed, tarnbrook } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { unsaidReads } from '../../../../tests/support/unsaidReads';
import { commonPractice } from '../../base/standards/source';
import { applyCommands } from '../../job/commands/apply';
import type { Job } from '../../job/document/job';
import { planJob } from '../../trade/wholeJob/planJob';
import { findByRule, findSnags, SNAG_RULES } from './findSnags';
import type { SnagRule } from './snag';

const unsaid = (rule: SnagRule, job: Job) => unsaidReads(rule.reads, rule.find, job);

describe('what rules say that they read', () => {
  it('is all that they read, in the demo jobs and in any job', () => {
    const planned = [powered(), planJob(surveyed()).job, planJob(marrowby()).job, planJob(tarnbrook()).job];
    const demos = [bench(), quillback(), surveyed(), marrowby(), tarnbrook(), ...planned];
    for (const job of demos) for (const rule of SNAG_RULES) expect([rule.id, ...unsaid(rule, job)]).toEqual([rule.id]);
    fc.assert(
      fc.property(fc.constantFrom(...planned), fc.array(anyCommand, { maxLength: 30 }), (start, commands) => {
        const { job } = play(start, commands);
        for (const rule of SNAG_RULES) expect([rule.id, ...unsaid(rule, job)]).toEqual([rule.id]);
      }),
      { numRuns: 25 },
    );
  });

  it('keeps what they found only as long as it holds: the snags are those of the job looked at anew', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 25 }), (commands) => {
        for (const { job } of play(patched(bench({ 1: {}, 2: {} }), '1', '2'), commands).steps) {
          // The copy shares no table with it, so that nothing kept is found for it.
          const anew = findSnags(Object.freeze(structuredClone(job)));
          expect(findSnags(job).map(({ id, what, grade }) => [id, what, grade])).toEqual(
            anew.map(({ id, what, grade }) => [id, what, grade]),
          );
        }
      }),
      { numRuns: 60 },
    );
  });

  it('no rule judges labels and names, but those that say so', () => {
    const findings = (job: Job) =>
      SNAG_RULES.filter((rule) => !rule.judgesNames)
        .flatMap((rule) => findByRule(rule, Object.freeze(job)))
        .map(({ rule, grade }) => `${rule} ${grade}`)
        .sort();
    const named = fc.array(fc.stringMatching(/^[A-Za-z0-9 -]{1,12}$/), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 20 }), named, (commands, [run, gear, rack]) => {
        const { job } = play(patched(bench({ 1: {}, 2: {} }), '1', '2'), commands);
        const renamed = structuredClone(job);
        for (const [at, one] of Object.values(renamed.runs).entries()) one.label = `${run}${at >> 1}`;
        for (const [at, one] of Object.values(renamed.gear).entries()) one.name = `${gear}${at >> 1}`;
        for (const [at, one] of Object.values(renamed.racks).entries()) one.name = `${rack}${at >> 1}`;
        expect(findings(renamed)).toEqual(findings(structuredClone(job)));
      }),
      { numRuns: 80 },
    );
  });

  it('asks a rule again only when something it reads changed', () => {
    let asked = 0;
    const rule: SnagRule = {
      id: 'counted',
      why: '',
      source: commonPractice,
      stations: [],
      reads: { runs: ['id', 'device'] },
      find: ({ job }) => {
        asked += 1;
        return Object.values(job.runs)
          .filter((run) => run.device === '')
          .map((run) => ({ grade: 'could-be-neater' as const, runIds: [run.id], what: 'none' }));
      },
    };
    const job = bench({ 1: {}, 2: { device: 'desk' } });
    const edit = (of: Job, changes: object) =>
      applyCommands(of, [{ type: 'editRuns', edits: [{ runId: 'run-1', changes }] }]).job;
    expect(findByRule(rule, job)).toHaveLength(1);
    const noted = edit(job, { notes: 'x' });
    expect(findByRule(rule, noted)).toBe(findByRule(rule, job));
    expect(findByRule(rule, apply(noted, { type: 'editJob', changes: { name: 'Other' } }))).toHaveLength(1);
    expect(asked).toBe(1);
    expect(findByRule(rule, edit(noted, { device: 'camera' }))).toHaveLength(0);
    expect(findByRule(rule, apply(noted, { type: 'removeRuns', runIds: ['run-1'] }))).toHaveLength(0);
    expect(findByRule(rule, noted)).toHaveLength(1);
    expect(asked).toBe(3);
  });

  it('a rule that breaks is named, and offers nothing', () => {
    const rule: SnagRule = {
      id: 'breaks',
      why: '',
      source: commonPractice,
      stations: ['stack'],
      reads: {},
      find: () => {
        throw new Error('no such thing');
      },
    };
    const job = bench();
    const [snag] = findByRule(rule, job);
    expect(snag).toMatchObject({
      grade: 'will-bite',
      stations: ['stack'],
      what: 'The rule “breaks” could not be asked: no such thing.',
    });
    expect(snag?.mends(job)).toEqual([]);
  });
});
