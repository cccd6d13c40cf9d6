import { describe, expect, it } from 'vitest';
import { apply, bench, patched, tarnbrook } from '../../../../tests/support/jobs';
import { renewCommand } from '../../job/commands/renewCommand';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { readJobRecords } from '../../job/document/readJobRecords';
import { readChanges } from '../../job/document/step';
import { openJobFile, writeJobFile } from './jobFile';

type Row = Record<string, unknown>;

/** The records of a job as version 7 of the file had them: patch cords and uplinks apart. */
function asBefore(job: Job): Record<string, Row[]> {
  const file = JSON.parse(writeJobFile(job)) as Record<string, Row[]>;
  const patch = Object.values(patchCordsOf(job)) as Row[];
  const uplinks = Object.values(job.cords).flatMap(({ fromSide: _, toSide: __, fixed: ___, ...link }) =>
    patchCordsOf(job)[link.id] ? [] : [link],
  );
  const vouches = (file.vouches ?? []).map(({ cordId, ...one }) => {
    const isPatch = patchCordsOf(job)[String(cordId)] !== undefined;
    return { ...one, cordId: isPatch ? cordId : null, uplinkId: isPatch ? null : cordId };
  });
  return { ...file, version: 7 as never, cords: patch, uplinks, vouches };
}

/** A map with an uplink and somebody who stands for it. */
const linked = () =>
  apply(tarnbrook(), {
    type: 'keepRows',
    rows: Object.values(tarnbrook().cords)
      .filter(({ id }) => !patchCordsOf(tarnbrook())[id])
      .slice(0, 1)
      .map(({ id }) => ({
        table: 'vouches' as const,
        record: { id: 'v', cordId: id, plugId: null, as: 'x', how: 'eye' as const, by: 'Kim', why: '', at: '' },
      })),
  });

describe('cords as earlier versions kept them', () => {
  it('come out of a file as they are now, uplinks among them', () => {
    const job = linked();
    const before = asBefore(job);
    expect(before.uplinks?.length).toBeGreaterThan(0);
    expect(before.vouches?.[0]).toMatchObject({ cordId: null });
    expect(openJobFile(JSON.stringify(before))).toEqual({ job, notes: [] });
  });

  it('keep both of two that had one id, and say what length could not stay', () => {
    const before = asBefore(linked());
    const [link] = before.uplinks ?? [];
    const taken = before.cords?.[0]?.id;
    for (const vouch of before.vouches ?? []) if (vouch.uplinkId === link?.id) vouch.uplinkId = taken;
    Object.assign(link ?? {}, { id: taken, lengthMm: 20 });
    const { job, notes } = openJobFile(JSON.stringify(before));
    expect(Object.keys(job.cords)).toHaveLength(Object.keys(linked().cords).length);
    expect(job.vouches.v?.cordId).toBe('link-1');
    expect(job.cords['link-1']).toMatchObject({ fromId: link?.fromId, lengthMm: null });
    expect(notes).toHaveLength(1);
    expect(notes[0]).toContain('20 mm');
  });

  it('are read from a kept copy of a job and from its history', () => {
    const { format: _, version: __, job: head, ...tables } = asBefore(linked()) as Row;
    const byId = Object.entries(tables).map(([table, rows]) => [
      table,
      Object.fromEntries((rows as Row[]).map((row) => [row.id, row])),
    ]);
    const kept = { ...(head as Row), ...Object.fromEntries(byId) };
    const job = readJobRecords(kept, 6);
    expect(job).toEqual(linked());
    expect(readJobRecords({ ...kept, country: 'GB' }, 6)).toEqual({ ...linked(), country: 'GB' });
    const was = { table: 'uplinks', id: 'u', field: 'toPort', was: 1, is: 2 };
    expect(readChanges([was, { ...was, table: 'cords', field: 'switchPort' }] as never, { version: 6 })).toEqual([
      { ...was, table: 'cords' },
      { ...was, table: 'cords' },
    ]);
    expect(readChanges([{ table: 'cords', id: 'c', field: 'toPort', was: 1, is: 2 }], { version: 7 })).toHaveLength(1);
  });

  it('come out of commands that waited', () => {
    const job = patched(bench({ 1: {} }), '1');
    const [id = ''] = Object.keys(job.cords);
    const edit = { type: 'editRows', edits: [{ table: 'cords', id, changes: { switchPort: 4 } }] };
    expect(patchCordsOf(apply(job, renewCommand(edit) as never))[id]?.switchPort).toBe(4);
    const record = { id: 'u', fromId: 'panel', fromPort: 2, toId: 'switch', toPort: 3, medium: 'auto' };
    const keep = { type: 'keepRows', rows: [{ table: 'uplinks', record }] };
    expect(renewCommand(keep)).toEqual({ type: 'keepRows', rows: [{ table: 'cords', record }] });
    expect(renewCommand({ type: 'dropRows', table: 'uplinks', ids: ['u'] })).toMatchObject({ table: 'cords' });
    const today = { type: 'editRows', edits: [{ table: 'cords', id, changes: { toPort: 4 } }] };
    for (const command of [today, null, 'x', { type: 'keepRows', rows: [null] }])
      expect(renewCommand(command)).toEqual(command);
  });
});
