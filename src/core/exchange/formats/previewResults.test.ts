import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, counter } from '../../../../tests/support/jobs';
import { testers } from '../../job/records/tester';
import { proofs } from '../../trade/testing/proof';
import { guessResultColumns, readDay, readTime, readWhen } from '../../trade/testing/resultColumns';
import { readLimitName, sweepLimit, worstMargin } from '../../trade/testing/sweep';
import { readCsvTable } from './csvTable';
import { cellFaultWords, previewResults, RESULTS_TABLE, resultCommands } from './previewResults';

const job = apply(bench({ 1: { speedMbps: 1000 }, 2: {} }), {
  type: 'keepRows',
  rows: [
    { table: 'testers', record: testers.make({ id: 't', name: 'Wire tester', serial: 'W-204', tells: 'wire-map' }) },
  ],
});
const given = { testerId: null, tells: 'continuity', by: 'Kim', file: 'file-1' } as const;
const read = (text: string, of = job) => {
  const table = readCsvTable(text, RESULTS_TABLE);
  return previewResults(of, table, guessResultColumns(table.header), given, counter('result'));
};

describe('a tester’s file', () => {
  it('is read by what its headings say, whatever order and words they have', () => {
    const { rows, counts } = read(
      'Site report\n\nCable ID;Test result;Date;Time;Serial no;Wire map;Pair 1-2 (m);Link rate\n' +
        '1;PASS;27.11.2026;6:30 PM;w-204;12345678;31,4;1G\n2;FAIL;27.11.2026;18:31;W-204;1 2 3 - 5 6 7 8;;\n',
    );
    expect(counts).toEqual({ new: 2, same: 0, 'not taken': 0 });
    expect(rows[0]?.result).toMatchObject({
      at: '2026-11-27T18:30',
      passed: true,
      testerId: 't',
      tells: 'wire-map',
      pair12M: 31.4,
      speedMbps: 1000,
      by: 'Kim',
      file: 'file-1',
    });
    expect(rows[1]?.result).toMatchObject({ passed: false, map: '1 2 3 - 5 6 7 8' });
  });

  it('says of each row what is wrong with which field, and takes none of it', () => {
    const { rows, counts } = read(
      'label,passed,when,wire_map,volts\n9,pass,,,\n1,perhaps,,,\n1,pass,03/04/2026,,\n2,pass,,1 2 3,\n2,ok,2026-11-27 18:30,,many\n',
    );
    expect(counts).toEqual({ new: 0, same: 0, 'not taken': 5 });
    const words = rows.flatMap(({ line, faults }) => faults.map((fault) => cellFaultWords(line, fault)));
    expect(words).toEqual([
      'Row 2, label: found “9”, expected the label of a run of this job.',
      'Row 3, passed: found “perhaps”, expected pass or fail.',
      'Row 4, when: found “03/04/2026”, expected a date of which day and month can be told, such as 2026-11-27.',
      'Row 5, wire_map: found “1 2 3”, expected eight far pins, such as 1 2 3 - 5 6 7 8.',
      'Row 6, volts: found “many”, expected a figure.',
    ]);
  });

  it('is taken once, however often it is read', () => {
    const text = 'label,passed,when\n1,pass,2026-11-27 18:30\n1,pass,2026-11-27 18:30\n2,fail,2026-11-27 18:31\n';
    const first = read(text);
    expect(first.counts).toEqual({ new: 2, same: 1, 'not taken': 0 });
    const after = apply(job, ...resultCommands(job, first));
    expect(read(text, after).counts).toEqual({ new: 0, same: 3, 'not taken': 0 });
    expect(resultCommands(after, read(text, after))).toEqual([]);
  });

  it('rows of a sweep are one test, held against the limit that it names', () => {
    const text = [
      'label,passed,when,looked_at,limit,measure,pair,frequency_mhz,value_db',
      ...[1, 10, 100, 250].map(
        (mhz) => `1,pass,2026-11-27 18:30,certified,Cat 6 permanent link,NEXT,12-36,${mhz},${mhz === 100 ? 41.0 : 70}`,
      ),
      '2,pass,2026-11-27 18:40,certified,Cat 6 permanent link,NEXT,12-36,100,45',
    ].join('\n');
    const { rows } = read(text);
    expect(rows.map(({ values }) => values.length)).toEqual([4, 1]);
    // ANSI/TIA-568.2: NEXT of a Category 6 permanent link at 100 MHz is 41.8 dB at least.
    expect(rows[0]?.result?.marginDb).toBeCloseTo(41.0 - 41.8, 1);
    const after = apply(job, ...resultCommands(job, read(text)));
    expect(proofs(after).map(({ state }) => state)).toEqual(['failed', 'passed']);
  });

  it('a PASS says nothing of split pairs, the screen or the wires unless the file or its tester does', () => {
    const text = [
      'label,result,when,test type,split pairs,screen,delay ns,loop ohm',
      '1,PASS,2026-11-27 18:30:05,wire-map,,,,',
      '2,PASS,2026-11-27 18:31:09,wire-map,no,ok,320,9.5',
    ].join('\n');
    const { rows } = read(text);
    expect(rows.map(({ result }) => result)).toMatchObject([
      { at: '2026-11-27T18:30:05', splitSeen: null, screen: 'not-tested', delayNs: null },
      { at: '2026-11-27T18:31:09', splitSeen: false, screen: 'through', delayNs: 320, loopOhm: 9.5 },
    ]);
    expect(rows.map(({ result }) => result?.seq)).toEqual([1, 2]);
    const after = apply(job, ...resultCommands(job, read(text)));
    expect(proofs(after).map(({ state }) => state)).toEqual(['incomplete', 'passed']);
  });

  it('a value that misses its limit is a fail, whatever margin its tester reports', () => {
    const margin = (of: string, measure: string, mhz: number, db: number) =>
      read(
        [
          'label,passed,when,looked_at,limit,margin_db,measure,pair,frequency_mhz,value_db',
          `1,pass,2026-11-27 18:30,certified,${of},,${measure},12-36,${mhz},${db}`,
          `1,pass,2026-11-27 18:30,certified,${of},,NEXT,12-36,100,60`,
        ].join('\n'),
      ).rows[0]?.result;
    // A 6A channel with 10 dB of NEXT at 400 MHz, and a link that loses 40 dB at 250 MHz: both miss every limit there is.
    expect(margin('Cat 6A channel', 'NEXT', 400, 10)?.marginDb).toBeLessThan(0);
    expect(margin('Cat 6A permanent link', 'IL', 250, 40)?.marginDb).toBeLessThan(0);
    expect(margin('Cat 6 permanent link', 'IL', 100, 10)).toMatchObject({ marginOf: 'NEXT, 100 to 100 MHz' });
  });

  it('never fails on any text', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.string({ unit: 'binary', maxLength: 8 }), { minLength: 1, maxLength: 5 }), {
          minLength: 2,
          maxLength: 5,
        }),
        (cells) => {
          const table = {
            header: cells[0] ?? [],
            rows: cells.slice(1).map((row, at) => ({ line: at + 2, cells: row })),
            separator: ',',
            above: 0,
          };
          const map = table.header.map(
            (_, at) => (['label', 'passed', 'when', 'wire_map', 'value_db'] as const)[at] ?? null,
          );
          expect(previewResults(job, table, map, given, counter('x')).rows).toHaveLength(cells.length - 1);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('days and times', () => {
  it('are read in the ways that leave no doubt', () => {
    for (const text of ['2026-11-27', '2026/11/27', '27.11.2026', '27/11/2026', '11/27/2026'])
      expect(readDay(text)).toEqual({ value: '2026-11-27' });
    for (const text of ['2026-02-30', '31.04.2026', '3/4/2026', 'yesterday', ''])
      expect(readDay(text)).toHaveProperty('expected');
    expect(readDay('4/4/2026')).toEqual({ value: '2026-04-04' });
    expect(readTime('12:05 AM')).toEqual({ value: '00:05' });
    expect(readTime('25:00')).toHaveProperty('expected');
    expect(readWhen('2026-11-27T18:30:12Z')).toEqual({ value: '2026-11-27T18:30:12' });
  });
});

describe('limits by name', () => {
  it('are told from what testers print, and not where it cannot be told', () => {
    expect(readLimitName('TIA Cat 6 Perm. Link')).toEqual({ set: '6', class: 'E', of: 'link' });
    expect(readLimitName('ISO Class EA Channel')).toEqual({ set: '6', class: 'EA', of: 'channel' });
    expect(readLimitName('Cat 6A MPTL')).toEqual({ set: '6', class: 'EA', of: 'link' });
    expect(readLimitName('Cat 5e')).toBeNull();
    expect(readLimitName('')).toBeNull();
  });

  it('hold no limit for what they do not know', () => {
    const link = { set: '6', class: 'E', of: 'link' } as const;
    expect(sweepLimit(link, 'NEXT', 100)?.db).toBeCloseTo(41.8, 1);
    // The limits of a link are stricter than those of the channel: a value can only miss them here.
    expect(sweepLimit(link, 'RL', 100)).toMatchObject({ failsOnly: true });
    expect(sweepLimit(link, 'NEXT', 400)).toBeNull();
    expect(sweepLimit(link, 'something', 100)).toBeNull();
    expect(worstMargin([{ measure: 'NEXT', mhz: 100, db: 50 }], 'Cat 5e')).toBeNull();
  });
});
