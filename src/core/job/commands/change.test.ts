import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommand, play } from '../../../../tests/support/anyCommand';
import { apply, bench, quillback } from '../../../../tests/support/jobs';
import { unsealed } from '../../../../tests/support/unsealed';
import { applyChanges, diffJobs, invert, touchKey, unfit } from '../document/change';
import { applyCommands } from './apply';
import { Command } from './commands';
import { commandsOf } from './setField';

const start = bench({ 1: {}, 2: { room: 'Hall' } });

describe('the changes between two versions', () => {
  it('lead from any version to any other, through JSON, and back', () => {
    const commands = fc.array(anyCommand, { maxLength: 10 });
    fc.assert(
      fc.property(commands, commands, (some, others) => {
        const [one, other] = [play(start, some).job, play(start, others).job];
        const changes = JSON.parse(JSON.stringify(diffJobs(one, other)));
        expect(applyChanges(one, changes)).toEqual(other);
        expect(applyChanges(other, invert(changes))).toEqual(one);
        expect(diffJobs(one, structuredClone(one))).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });

  it('can be said as commands that lead the same way', () => {
    const commands = fc.array(anyCommand, { maxLength: 12 });
    fc.assert(
      fc.property(commands, commands, (some, others) => {
        const [one, other] = [play(start, some).job, play(start, others).job];
        const way = commandsOf(diffJobs(one, other)).map((command) =>
          Command.parse(JSON.parse(JSON.stringify(command))),
        );
        expect(applyCommands(one, way).job).toEqual(other);
      }),
      { numRuns: 300 },
    );
  });

  it('name each field once, with what it was and what it is', () => {
    const after = apply(
      start,
      { type: 'editRuns', edits: [{ runId: 'run-2', changes: { room: 'Den', critical: true } }] },
      { type: 'editJob', changes: { name: 'Other' } },
    );
    expect(diffJobs(start, after)).toEqual([
      { table: null, id: '', field: 'name', was: 'Bench', is: 'Other' },
      { table: 'runs', id: 'run-2', field: 'room', was: 'Hall', is: 'Den' },
      { table: 'runs', id: 'run-2', field: 'critical', was: false, is: true },
    ]);
  });

  it('of any commands are sealed all through', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 12 }), (some) => {
        const { job } = play(start, some);
        expect(unsealed(job)).toEqual([]);
        expect(unsealed(applyChanges(start, diffJobs(start, job)))).toEqual([]);
      }),
      { numRuns: 100 },
    );
  });

  it('leave what they do not touch the very same, and all of it frozen', () => {
    const job = quillback();
    const [run, other] = Object.values(job.runs);
    const changes = [{ table: 'runs' as const, id: run?.id ?? '', field: 'room', was: run?.room, is: 'Elsewhere' }];
    const after = applyChanges(job, changes);
    expect(after.gear).toBe(job.gear);
    expect(after.runs[other?.id ?? '']).toBe(other);
    expect([after, after.runs, after.runs[run?.id ?? '']].every(Object.isFrozen)).toBe(true);
    expect(job.runs[run?.id ?? '']?.room).not.toBe('Elsewhere');
  });

  it('no longer fit where something came between', () => {
    const { changes } = play(start, [
      { type: 'editRuns', edits: [{ runId: 'run-2', changes: { room: 'Den', device: 'camera' } }] },
    ]).steps[0] ?? { changes: [] };
    const after = applyChanges(start, changes);
    const theirs = apply(after, { type: 'editRuns', edits: [{ runId: 'run-2', changes: { device: 'desk' } }] });
    expect(unfit(theirs, invert(changes)).map(touchKey)).toEqual(['runs/run-2/device']);
    const gone = apply(after, { type: 'removeRuns', runIds: ['run-2'] });
    expect(unfit(gone, invert(changes))).toHaveLength(2);
  });
});
