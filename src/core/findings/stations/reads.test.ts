import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommand, play } from '../../../../tests/support/anyCommand';
import { apply, bench, marrowby, patched, quillback, surveyed, tarnbrook } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { unsaidReads } from '../../../../tests/support/unsaidReads';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { planJob } from '../../trade/wholeJob/planJob';
import { progressOf, STATION_LIST } from './stations';

const unsaid = (job: Job) => STATION_LIST.map(({ id, reads, progress }) => [id, ...unsaidReads(reads, progress, job)]);
const nothing = STATION_LIST.map(({ id }) => [id]);

describe('what stations say that their progress rests on', () => {
  it('is all that they read, in the demo jobs and in any job', () => {
    const planned = [powered(), planJob(surveyed()).job, planJob(tarnbrook()).job];
    for (const job of [bench(), quillback(), marrowby(), ...planned]) expect(unsaid(job)).toEqual(nothing);
    fc.assert(
      fc.property(fc.constantFrom(...planned), fc.array(anyCommand, { maxLength: 30 }), (start, commands) => {
        expect(unsaid(play(start, commands).job)).toEqual(nothing);
      }),
      { numRuns: 25 },
    );
  });

  it('the progress that is kept is that of the job looked at anew, whatever things are called', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 25 }), (commands) => {
        for (const { job } of play(patched(bench({ 1: {}, 2: {} }), '1', '2'), commands).steps)
          for (const station of STATION_LIST) {
            const anew = station.progress(indexJob(structuredClone(job)));
            expect([station.id, ...progressOf(station, job)]).toEqual([station.id, ...anew]);
          }
      }),
      { numRuns: 60 },
    );
  });

  it('is not worked out again where none of it changed', () => {
    const job = bench({ 1: {}, 2: { device: 'desk' } });
    const edit = (changes: object) => apply(job, { type: 'editRuns', edits: [{ runId: 'run-1', changes }] });
    for (const station of STATION_LIST) {
      const known = progressOf(station, job);
      expect(progressOf(station, edit({ notes: 'x', label: '9' })), station.id).toBe(known);
    }
    const [patch] = STATION_LIST.filter(({ id }) => id === 'patch');
    expect(patch && progressOf(patch, edit({ device: 'desk' }))).toEqual([0, 2]);
  });
});
