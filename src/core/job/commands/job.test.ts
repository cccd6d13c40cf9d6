import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommand, play } from '../../../../tests/support/anyCommand';
import { apply, bench, quillback } from '../../../../tests/support/jobs';
import { readJobFile, writeJobFile } from '../../exchange/formats/jobFile';
import { planJob } from '../../trade/wholeJob/planJob';
import { applyChanges, invert, unfit } from '../document/change';
import { patchCordsOf } from '../document/cordKinds';
import { clashes, looseEnds } from '../document/verify';
import { networkNamed } from '../records/network';
import { describeCommands } from './apply';
import type { Command } from './commands';

const start = bench({ 1: {}, 2: { carries: 'fibre' } });

describe('commands', () => {
  it('are taken back by their inverse and made again, also after a way through JSON', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 12 }), (commands) => {
        for (const { before, job, changes } of play(start, commands).steps) {
          const sent = JSON.parse(JSON.stringify(changes));
          expect(applyChanges(job, invert(sent))).toEqual(before);
          expect(applyChanges(before, sent)).toEqual(job);
          expect(unfit(before, changes)).toEqual([]);
          expect(unfit(job, invert(changes))).toEqual([]);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('make jobs that can be stored, and written to a file and read again, whatever the order', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 20 }), (commands) => {
        const { job } = play(start, commands);
        expect(clashes(job)).toEqual([]);
        expect(looseEnds(job)).toEqual([]);
        expect(readJobFile(writeJobFile(job))).toEqual(job);
      }),
      { numRuns: 400 },
    );
  });

  it('leave the job untouched when one of a batch is refused', () => {
    const before = structuredClone(start);
    expect(() =>
      apply(start, { type: 'editJob', changes: { name: 'Other' } }, { type: 'removeRuns', runIds: ['nobody'] }),
    ).toThrow('no longer in the job');
    expect(start).toEqual(before);
  });

  it('let two runs change places in one step, cords and all', () => {
    const job = apply(
      bench({ 1: {}, 2: {} }),
      {
        type: 'landRuns',
        landings: [
          { runId: 'run-1', panelId: 'panel', port: 1 },
          { runId: 'run-2', panelId: 'panel', port: 2 },
        ],
      },
      {
        type: 'patchPorts',
        cords: [{ panelId: 'panel', panelPort: 1, switchId: 'switch', switchPort: 5, fixed: false }],
      },
      {
        type: 'landRuns',
        landings: [
          { runId: 'run-1', panelId: 'panel', port: 2 },
          { runId: 'run-2', panelId: 'panel', port: 1 },
        ],
      },
    );
    expect(Object.values(job.landings).map(({ runId: id, port: at }) => [id, at])).toEqual([
      ['run-1', 2],
      ['run-2', 1],
    ]);
    expect(Object.values(patchCordsOf(job))).toMatchObject([{ panelPort: 2, switchPort: 5 }]);
  });

  it('take the cord away with the landing behind it', () => {
    const job = planJob(quillback()).job;
    const landing = Object.values(job.landings).find((row) => row.panelId === 'panel-a' && row.port === 1);
    const after = apply(job, { type: 'takeOffRuns', runIds: [landing?.runId ?? ''] });
    expect(Object.keys(patchCordsOf(after))).toHaveLength(Object.keys(patchCordsOf(job)).length - 1);
  });

  it('refuse a height that its place does not have', () => {
    expect(() => apply(start, { type: 'editGear', gearId: 'switch', changes: { heightU: 2 } })).toThrow(
      'taken by Panel',
    );
  });

  it('change depth freely: what no longer fits is a snag, not a refusal', () => {
    expect(
      apply(start, { type: 'editRack', rackId: 'rack', changes: { depthMm: 60, units: 5 } }).racks.rack?.depthMm,
    ).toBe(60);
  });

  it('name themselves', () => {
    const say = (...commands: Command[]) => describeCommands(start, commands);
    expect(say({ type: 'landRuns', landings: [{ runId: 'run-1', panelId: 'panel', port: 3 }] })).toBe(
      'Land 1 on Panel port 3',
    );
    expect(say({ type: 'placeGear', gearId: 'panel', rackId: 'rack', bottomU: 7 })).toBe('Move Panel to U7');
    expect(say({ type: 'removeRuns', runIds: ['run-1', 'run-2'] }, { type: 'editJob', changes: {} })).toBe(
      'Remove 2 runs and 1 more',
    );
  });
});

describe('networks', () => {
  it('get codes of their own', () => {
    const names = ['Clinic', 'Cameras', 'Camp', 'C', 'Ca', '℃'];
    const networks: ReturnType<typeof networkNamed>[] = [];
    for (const wanted of names) networks.push(networkNamed(`n-${wanted}`, wanted, networks));
    expect(new Set(networks.map((one) => one.code)).size).toBe(names.length);
    expect(networks[0]?.code).toBe('C');
  });
});
