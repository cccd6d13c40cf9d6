import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, quillback } from '../../../tests/support/jobs';
import { readJobFile, writeJobFile } from '../formats/jobFile';
import { planJob } from '../plan';
import { applyCommands, applyRecorded, describeCommands } from './apply';
import { clashes, looseEnds } from './clashes';
import type { Command } from './commands';
import type { Job } from './job';
import { Gear } from './records/gear';
import { networkNamed } from './records/network';
import { Refusal } from './refusal';

/** Any command, sensible or not, over a small stock of ids, so that commands often meet. */
const runId = fc.constantFrom('run-1', 'run-2', 'run-3', 'run-4');
const gearId = fc.constantFrom('panel', 'switch', 'extra');
const port = fc.integer({ min: 1, max: 12 });
const changes = fc.record(
  {
    label: fc.constantFrom('1', '2', '3', 'x', ' X ', 'y'),
    room: fc.string({ maxLength: 8 }).filter((text) => /^[^\p{Cc}\p{Cs}]*$/u.test(text)),
    network: fc.constantFrom('', 'Office', 'office ', 'Cameras'),
    carries: fc.constantFrom('ethernet' as const, 'fibre' as const, 'coax' as const),
    poeW: fc.constantFrom(0, 5, 25, 80),
    device: fc.constantFrom('', 'camera'),
  },
  { requiredKeys: [] },
);
const entry = fc.record({ id: runId, label: fc.constantFrom('1', '2', '3', 'x', 'y') });
const command: fc.Arbitrary<Command> = fc.oneof(
  fc.record({ type: fc.constant('addRuns' as const), runs: fc.array(entry, { minLength: 1, maxLength: 3 }) }),
  fc.record({ type: fc.constant('importRuns' as const), rows: fc.array(entry, { minLength: 1, maxLength: 3 }) }),
  fc.record({
    type: fc.constant('editRuns' as const),
    edits: fc.array(fc.record({ runId, changes }), { minLength: 1, maxLength: 3 }),
  }),
  fc.record({
    type: fc.constant('removeRuns' as const),
    runIds: fc.uniqueArray(runId, { minLength: 1, maxLength: 2 }),
  }),
  fc.record({
    type: fc.constant('landRuns' as const),
    landings: fc.array(fc.record({ runId, panelId: gearId, port }), { minLength: 1, maxLength: 3 }),
  }),
  fc.record({ type: fc.constant('takeOffRuns' as const), runIds: fc.array(runId, { minLength: 1, maxLength: 2 }) }),
  fc.record({
    type: fc.constant('patchPorts' as const),
    cords: fc.array(
      fc.record({ panelId: gearId, panelPort: port, switchId: gearId, switchPort: port, fixed: fc.boolean() }),
      {
        minLength: 1,
        maxLength: 3,
      },
    ),
  }),
  fc.record({
    type: fc.constant('placeGear' as const),
    gearId,
    rackId: fc.constant('rack'),
    bottomU: fc.integer({ min: 1, max: 13 }),
  }),
  fc.record({ type: fc.constant('liftGear' as const), gearIds: fc.array(gearId, { minLength: 1, maxLength: 2 }) }),
  fc.record({
    type: fc.constant('removeGear' as const),
    gearIds: fc.uniqueArray(gearId, { minLength: 1, maxLength: 1 }),
  }),
  fc.record({
    type: fc.constant('editGear' as const),
    gearId,
    changes: fc.record(
      { heightU: fc.integer({ min: 1, max: 3 }), name: fc.constantFrom('Panel', 'panel', 'Else') },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    type: fc.constant('addGear' as const),
    gear: fc.tuple(
      fc.constant(
        Gear.parse({
          id: 'extra',
          name: 'Extra',
          kind: 'panel',
          heightU: 2,
          depthMm: 60,
          ports: [{ count: 6, connector: 'rj45' }],
        }),
      ),
    ),
  }),
);

const start = bench({ 1: {}, 2: { carries: 'fibre' } });

/** The job after each command that is not refused; the patches that led there. */
function play(commands: Command[]) {
  const steps: {
    job: Job;
    before: Job;
    patches: ReturnType<typeof applyCommands>['patches'];
    inverse: ReturnType<typeof applyCommands>['inverse'];
  }[] = [];
  let job = start;
  for (const one of commands) {
    try {
      const applied = applyCommands(job, [one]);
      steps.push({ ...applied, before: job });
      job = applied.job;
    } catch (fault) {
      if (!(fault instanceof Refusal)) throw fault;
    }
  }
  return { job, steps };
}

describe('commands', () => {
  it('are taken back by their inverse and brought back by their patches, also after a way through JSON', () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 12 }), (commands) => {
        for (const { before, job, patches, inverse } of play(commands).steps) {
          const sent = JSON.parse(JSON.stringify({ patches, inverse }));
          expect(applyRecorded(job, sent.inverse)).toEqual(before);
          expect(applyRecorded(before, sent.patches)).toEqual(job);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('never leave clashes or loose ends, whatever the order', () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 20 }), (commands) => {
        const { job } = play(commands);
        expect(clashes(job)).toEqual([]);
        expect(looseEnds(job)).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });

  it('round-trip through the job file', () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 12 }), (commands) => {
        const { job } = play(commands);
        expect(readJobFile(writeJobFile(job))).toEqual(job);
      }),
      { numRuns: 100 },
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
    expect(Object.values(job.cords)).toMatchObject([{ panelPort: 2, switchPort: 5 }]);
  });

  it('take the cord away with the landing behind it', () => {
    const job = planJob(quillback()).job;
    const landing = Object.values(job.landings).find((row) => row.panelId === 'panel-a' && row.port === 1);
    const after = apply(job, { type: 'takeOffRuns', runIds: [landing?.runId ?? ''] });
    expect(Object.keys(after.cords)).toHaveLength(Object.keys(job.cords).length - 1);
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
