import { describe, expect, it } from 'vitest';
import { apply, bench, patched } from '../../../../tests/support/jobs';
import { compareJobs } from './compareJobs';

const before = patched(bench({ A: { room: 'Office' }, B: {} }), 'A');

describe('two versions of a job', () => {
  it('that are the same differ in nothing', () => {
    const { tables, gear, strands } = compareJobs(before, before);
    expect([tables, gear.size, strands]).toEqual([[], 0, []]);
  });

  it('name each field that became another, by table', () => {
    const after = apply(before, { type: 'editRuns', edits: [{ runId: 'run-A', changes: { room: 'Hall' } }] });
    expect(compareJobs(before, after).tables).toEqual([
      { table: 'runs', title: 'Runs', lines: ['run A: room “Office” → “Hall”'] },
    ]);
  });

  it('call what has no name of its own by the ports it joins', () => {
    const { tables } = compareJobs(bench({ A: {} }), patched(bench({ A: {} }), 'A'));
    expect(tables.flatMap(({ lines }) => lines)).toEqual(['landing A, Panel 1 added', 'cord Panel 1, Switch 1 added']);
  });

  it('tell what moved in the cabinet from what came into it and what went out', () => {
    const moved = apply(before, { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 3 });
    const lifted = apply(bench(), { type: 'liftGear', gearIds: ['switch'] });
    expect([...compareJobs(before, moved).gear]).toEqual([['switch', 'moved']]);
    expect([...compareJobs(bench(), lifted).gear]).toEqual([['switch', 'gone']]);
    expect([...compareJobs(lifted, bench()).gear]).toEqual([['switch', 'came']]);
  });

  it('say of each strand where it ended and where it ends', () => {
    const after = apply(before, { type: 'takeOffRuns', runIds: ['run-A'] });
    expect(compareJobs(before, after).strands).toEqual([
      {
        runId: 'run-A',
        label: 'A',
        fate: 'moved',
        was: { panel: 'Panel 1', device: 'Switch 1' },
        is: { panel: null, device: null },
      },
    ]);
  });
});
