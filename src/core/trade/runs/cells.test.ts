import { describe, expect, it } from 'vitest';
import { apply, bench, counter } from '../../../../tests/support/jobs';
import { indexJob } from '../../job/document/jobIndex';
import { cellText, editCell, enterRuns, pasteCells, scheduleColumns } from './cells';

const job = bench({
  1: { room: 'Hall', lengthMm: 22_500 },
  2: { network: 'Doors', critical: true, poeW: 12.5, speedMbps: 100 },
});
const all = scheduleColumns('metric');
/** A cell of the schedule as the screen shows it. */
const at = (row: number, name = 'label', runs = indexJob(job).runsInOrder) => ({
  runs: runs.slice(row),
  columns: all.slice(all.indexOf(name as never)),
});

describe('cells of the schedule', () => {
  it('read back what they show', () => {
    for (const run of Object.values(job.runs)) {
      for (const name of scheduleColumns('metric')) {
        const { commands, faults } = editCell(
          run,
          name,
          cellText(run, job.networks[run.networkId ?? ''] ?? null, name),
        );
        expect(faults).toEqual([]);
        expect(apply(job, ...commands)).toEqual(job);
      }
    }
  });

  it('say what was expected', () => {
    expect(editCell(Object.values(job.runs)[0] as never, 'length_m', '-3').faults).toEqual([
      'length_m: found “-3”, expected a length above 0 and up to 10,000 m, such as 22.5.',
    ]);
  });
});

describe('pasting', () => {
  it('leaves a single cell to the field', () => {
    expect(pasteCells('Hall', at(0), counter())).toBeNull();
  });

  it('fills a column down over runs that are there', () => {
    const { commands, faults } = pasteCells('Hall\nKitchen\n', at(0, 'room'), counter()) ?? {
      commands: [],
      faults: [],
    };
    expect(faults).toEqual([]);
    expect(Object.values(apply(job, ...commands).runs).map((run) => run.room)).toEqual(['Hall', 'Kitchen']);
  });

  it('adds rows beyond the last where they bring a label, and names cells it cannot read', () => {
    const text = '2\tFirst\n3\tFirst\n4\tSecond\n';
    const added = pasteCells(text, at(1), counter('new'));
    expect(Object.values(apply(job, ...(added?.commands ?? [])).runs).map((run) => run.label)).toEqual([
      '1',
      '2',
      '3',
      '4',
    ]);
    const wrong = pasteCells('5\n-1\n', at(0, 'length_m'), counter());
    expect(wrong?.faults).toEqual([
      'Line 2, length_m: found “-1”, expected a length above 0 and up to 10,000 m, such as 22.5.',
    ]);
  });
});

describe('the entry row', () => {
  it('makes as many runs as its pattern says, all with the same fields', () => {
    const { commands } = enterRuns({ label: 'GF-{01..12}', room: 'Hall', length_m: '12' }, counter('new'));
    const runs = Object.values(apply(job, ...commands).runs).filter((run) => run.label.startsWith('GF'));
    expect(runs).toHaveLength(12);
    expect(runs.every((run) => run.room === 'Hall' && run.lengthMm === 12_000)).toBe(true);
  });

  it('takes a pasted column of labels', () => {
    expect(enterRuns({ label: 'A\r\nB\n\nC' }, counter()).commands).toMatchObject([
      { runs: [{ label: 'A' }, { label: 'B' }, { label: 'C' }] },
    ]);
  });

  it('asks for a label', () => {
    expect(enterRuns({ room: 'Hall' }, counter()).faults[0]).toMatch(/^label: found nothing/);
  });
});
