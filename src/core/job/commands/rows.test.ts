import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, marrowby, surveyed } from '../../../../tests/support/jobs';
import { Refusal } from '../../base/text/refusal';
import { readJobFile, writeJobFile } from '../../exchange/formats/jobFile';
import { applyChanges, invert } from '../document/change';
import { TABLE_NAMES } from '../document/tables';
import { clashes, looseEnds } from '../document/verify';
import { applyCommands, describeCommands } from './apply';
import type { Command } from './commands';

const keep = (...rows: Extract<Command, { type: 'keepRows' }>['rows']): Command => ({ type: 'keepRows', rows });

describe('rows of tables', () => {
  it('hold together in both demo jobs, and come back equal from their files', () => {
    for (const job of [surveyed(), marrowby()]) {
      expect(looseEnds(job)).toEqual([]);
      expect(clashes(job)).toEqual([]);
      expect(readJobFile(writeJobFile(job))).toEqual(job);
    }
  });

  it('carry a new name of a room or floor to the runs and jacks there, and to no other', () => {
    const job = marrowby();
    const [room] = Object.values(job.rooms).filter((one) => one.name === 'Study');
    if (!room) throw new Error('no room');
    const renamed = apply(job, keep({ table: 'rooms', record: { ...room, name: 'Library' } }));
    expect(Object.values(renamed.jacks).filter((jack) => jack.room === 'Library')).toHaveLength(2);
    expect(Object.values(renamed.jacks).filter((jack) => jack.room === 'Study')).toEqual([]);
    const quillback = surveyed();
    const ground = quillback.floors['floor-ground'];
    if (!ground) throw new Error('no floor');
    const floor = apply(quillback, keep({ table: 'floors', record: { ...ground, name: 'Street level' } }));
    const on = (name: string) => Object.values(floor.runs).filter((run) => run.floor === name).length;
    expect([on('Ground'), on('Street level')]).toEqual([0, 24]);
  });

  it('do not carry a name where two jacks would become one', () => {
    const jack = (id: string, room: string) => ({
      table: 'jacks' as const,
      record: { id, floor: 'Ground', room, outlet: 'a' },
    });
    const job = apply(surveyed(), keep(jack('one', 'Kennels'), jack('two', 'Den')));
    const kennels = job.rooms['room-kennels'];
    if (!kennels) throw new Error('no room');
    const rename = keep({ table: 'rooms', record: { ...kennels, name: 'Den' } });
    expect(() => apply(job, rename)).toThrow('Two jacks would be at Ground, Den, a: one is listed there already.');
    const freed = apply(job, { type: 'dropRows', table: 'jacks', ids: ['two'] });
    expect(apply(freed, rename).jacks.one?.room).toBe('Den');
  });

  it('never leave clashes or loose ends, whatever the order', () => {
    const id = fc.constantFrom('a', 'b', 'c');
    const name = fc.constantFrom('North', 'South', 'north ');
    const sizes = { xMm: 0, yMm: 0, widthMm: 1000, depthMm: 1000, code: '' };
    const floor = { heightMm: 2500, slabMm: 300, route: 'overhead' as const };
    const box = { cable: 'C', leftMm: 1000, bought: false, markMm: null, marksFall: true };
    const row = fc.oneof(
      fc
        .record({ id, name, level: fc.integer({ min: -1, max: 2 }) })
        .map((one) => ({ table: 'floors' as const, record: { ...floor, ...one } })),
      fc.record({ id, name, floorId: id }).map((one) => ({ table: 'rooms' as const, record: { ...sizes, ...one } })),
      fc
        .record({ id, floor: name, room: name, outlet: fc.constantFrom('x', '') })
        .map((record) => ({ table: 'jacks' as const, record })),
      fc.record({ id, name }).map((one) => ({ table: 'boxes' as const, record: { ...box, ...one } })),
      fc
        .record({ id, jackId: id, runId: fc.constantFrom(null, 'run-1', 'run-2') })
        .map((one) => ({ table: 'tones' as const, record: { ...one, walk: 1, remote: 1, simulated: false } })),
      fc
        .record({ id, runId: fc.constantFrom('run-1', 'run-2'), boxId: id })
        .map((one) => ({ table: 'cuts' as const, record: { ...one, pull: 1, lengthMm: 10 } })),
    );
    const command: fc.Arbitrary<Command> = fc.oneof(
      {
        weight: 4,
        arbitrary: fc.array(row, { minLength: 1, maxLength: 4 }).map((rows) => ({ type: 'keepRows' as const, rows })),
      },
      {
        weight: 1,
        arbitrary: fc.record({
          type: fc.constant('dropRows' as const),
          table: fc.constantFrom('floors', 'rooms', 'jacks', 'boxes') as fc.Arbitrary<'floors'>,
          ids: id.map((one) => [one]),
        }),
      },
      {
        weight: 1,
        arbitrary: fc.constantFrom('run-1', 'run-2').map((one) => ({ type: 'removeRuns' as const, runIds: [one] })),
      },
    );
    fc.assert(
      fc.property(fc.array(command, { maxLength: 25 }), (commands) => {
        let job = bench({ 1: { floor: 'North', room: 'South' }, 2: {} });
        for (const one of commands) {
          const before = job;
          try {
            job = apply(job, one);
          } catch (fault) {
            expect(fault).toBeInstanceOf(Refusal);
            expect(job).toBe(before);
          }
        }
        expect(clashes(job)).toEqual([]);
        expect(looseEnds(job)).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });

  it('go with what they point at, down to the last', () => {
    const job = surveyed();
    const without = apply(job, { type: 'dropRows', table: 'floors', ids: ['floor-ground', 'floor-first'] });
    expect([without.rooms, without.places, without.wishes]).toEqual([{}, {}, {}]);
    expect(looseEnds(without)).toEqual([]);
    const [run] = Object.values(job.runs);
    const through = apply(
      job,
      keep({ table: 'passages', record: { id: 'x', pathwayId: 'path-corridor', runId: run?.id ?? '' } }),
      keep({ table: 'cuts', record: { id: 'c', runId: run?.id ?? '', boxId: 'box-shop', pull: 1, lengthMm: 1000 } }),
    );
    const removed = apply(through, { type: 'removeRuns', runIds: [run?.id ?? ''] });
    expect([removed.passages, removed.cuts]).toEqual([{}, {}]);
  });

  it('cannot share what must be their own, nor point at nothing', () => {
    const job = surveyed();
    const [room] = Object.values(job.rooms);
    if (!room) throw new Error('no room');
    expect(() => apply(job, keep({ table: 'rooms', record: { ...room, id: 'other' } }))).toThrow(
      /cannot share the name/,
    );
    expect(() => apply(job, keep({ table: 'rooms', record: { ...room, floorId: 'nowhere' } }))).toThrow(/no longer/);
    expect(() => apply(job, { type: 'dropRows', table: 'boxes', ids: ['nowhere'] })).toThrow(/no longer/);
  });

  it('let two runs change labels in one step', () => {
    const job = bench({ 1: {}, 2: {} });
    const swapped = apply(job, {
      type: 'editRuns',
      edits: [
        { runId: 'run-1', changes: { label: '2' } },
        { runId: 'run-2', changes: { label: '1' } },
      ],
    });
    expect([swapped.runs['run-1']?.label, swapped.runs['run-2']?.label]).toEqual(['2', '1']);
  });

  it('do not let a run take the label of one that keeps it in the same step', () => {
    const job = bench({ 1: {}, 2: {} });
    const take = (...edits: [string, string][]) =>
      apply(job, { type: 'editRuns', edits: edits.map(([runId, label]) => ({ runId, changes: { label } })) });
    expect(() => take(['run-1', '2'], ['run-2', '2'])).toThrow(/labelled 2 already/);
    expect(() => take(['run-1', '2'], ['run-2', ' 2 '])).toThrow(/labelled {2}2 {2}already/);
    expect(() => take(['run-1', '2'], ['run-2', '5'], ['run-2', '2'])).toThrow(/labelled 2 already/);
    expect(take(['run-2', '5'], ['run-2', '2']).runs['run-2']?.label).toBe('2');
  });

  it('can be undone, whatever was dropped or kept', () => {
    const job = surveyed();
    const drops = TABLE_NAMES.flatMap((table) => {
      const [id] = Object.keys(job[table]);
      return id ? [{ type: 'dropRows' as const, table, ids: [id] }] : [];
    });
    fc.assert(
      fc.property(fc.shuffledSubarray(drops, { minLength: 1 }), ([first]) => {
        if (!first) return;
        const { job: after, changes } = applyCommands(job, [first]);
        expect(applyChanges(after, invert(changes))).toEqual(job);
      }),
    );
    expect(drops.length).toBeGreaterThan(6);
  });

  it('say what was done', () => {
    const job = surveyed();
    const box = {
      id: 'b',
      name: 'Loft box',
      cable: 'RG-6',
      leftMm: 1000,
      bought: false,
      markMm: null,
      marksFall: true,
    };
    expect(describeCommands(job, [keep({ table: 'boxes', record: box })])).toBe('Add box Loft box');
    expect(describeCommands(job, [{ type: 'dropRows', table: 'boxes', ids: ['box-shop', 'box-van'] }])).toBe(
      'Remove 2 boxes',
    );
  });
});
