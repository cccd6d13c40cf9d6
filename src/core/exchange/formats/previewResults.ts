import { plainCell } from '../../base/text/csvCell';
import type { Command } from '../../job/commands/commands';
import { rowCommands } from '../../job/commands/rowCommands';
import type { Job } from '../../job/document/job';
import { indexJob, sameKey } from '../../job/document/jobIndex';
import { type Result, Result as ResultSchema, results } from '../../job/records/result';
import { detectsSplits } from '../../trade/testing/newResult';
import { nextSeq, resultsByRun } from '../../trade/testing/proof';
import {
  type Cell,
  type ResultColumn,
  type ResultColumnMap,
  readDay,
  readEnd,
  readFigure,
  readScreen,
  readSplit,
  readTells,
  readTime,
  readVerdict,
  readWhen,
  resultColumnFor,
} from '../../trade/testing/resultColumns';
import { worstMargin } from '../../trade/testing/sweep';
import { readWireMap } from '../../trade/testing/wireMap';
import type { CsvTable, TableKind } from './csvTable';
import { issueWords } from './jobFile';

/** One value of a certification: what was measured of which pair at which frequency. */
export type ResultValue = { measure: string; pair: string; mhz: number; db: number };
export type CellFault = { field: ResultColumn | 'row'; found: string; expected: string };
export type ResultRow = {
  /** Row of the sheet, the header being row 1; of a sweep its first. */
  line: number;
  label: string;
  result: Result | null;
  values: ResultValue[];
  faults: CellFault[];
  becomes: 'new' | 'same' | 'not taken';
};
export type ResultsPreview = { rows: ResultRow[]; counts: Record<ResultRow['becomes'], number> };

export const RESULTS_TABLE: TableKind = {
  knows: (heading) => resultColumnFor(heading) !== null,
  most: 200_000,
  row: 'test',
};

const FIGURES = {
  pair_12_m: 'pair12M',
  pair_36_m: 'pair36M',
  pair_45_m: 'pair45M',
  pair_78_m: 'pair78M',
  skew_ns: 'skewNs',
  speed_mbps: 'speedMbps',
  volts: 'volts',
  watts: 'watts',
  loss_db: 'lossDb',
  margin_db: 'marginDb',
  delay_ns: 'delayNs',
  loop_ohm: 'loopOhm',
  length_m: 'lengthM',
  wavelength_nm: 'wavelengthNm',
  mated_pairs: 'matedPairs',
  splices: 'splices',
} as const;

const about = ({ runId, at, testerId, passed, map, speedMbps, end, note }: Result): string =>
  JSON.stringify([runId, at, testerId, passed, map, speedMbps, end, note]);

/**
 * What each test of a tester's file would become. Rows of a sweep by frequency that follow each other, with one label and
 * one time, are one test. Never throws on content: what is wrong stands with its row.
 * @param given what the file does not say: the tester, what it tells, who and which file
 */
export function previewResults(
  job: Job,
  table: CsvTable,
  map: ResultColumnMap,
  given: Pick<Result, 'testerId' | 'tells' | 'by' | 'file'>,
  newId: () => string,
): ResultsPreview {
  const { runByLabel } = indexJob(job);
  const testers = new Map(
    Object.values(job.testers).flatMap((one) => [
      [sameKey(one.name), one] as const,
      ...(one.serial ? [[sameKey(one.serial), one] as const] : []),
    ]),
  );
  const known = new Set([...resultsByRun(job).values()].flat().map(about));
  const rows: ResultRow[] = [];
  const first = nextSeq(job);
  /** The test that the row before belongs to. */
  let before = '';
  for (const { line, cells } of table.rows) {
    const at = (column: ResultColumn): string => {
      const slot = map.indexOf(column);
      return slot < 0
        ? ''
        : plainCell(cells[slot] ?? '')
            .replace(/\s+/g, ' ')
            .trim();
    };
    const faults: CellFault[] = [];
    const take = <T>(field: ResultColumn, read: (cell: string) => Cell<T>): T | null => {
      const cell = read(at(field));
      if ('value' in cell) return cell.value;
      faults.push({ field, found: at(field), expected: cell.expected });
      return null;
    };
    const label = at('label');
    const run = runByLabel.get(sameKey(label));
    const value = sweepValue(at, faults);
    const key = [sameKey(label), at('when'), at('date'), at('time')].join('\u001f');
    if (value && before === key && faults.length === 0) {
      rows.at(-1)?.values.push(value);
      continue;
    }
    if (!run) faults.push({ field: 'label', found: label, expected: 'the label of a run of this job' });
    const passed = take('passed', readVerdict);
    const when =
      map.includes('when') || !map.includes('date')
        ? (take('when', readWhen) ?? '')
        : dayAndTime(
            take('date', (cell) => (cell === '' ? { value: '' } : readDay(cell))),
            at('time') === '' ? null : take('time', readTime),
          );
    const wires = at('wire_map');
    if (wires !== '' && readWireMap(wires) === null)
      faults.push({ field: 'wire_map', found: wires, expected: 'eight far pins, such as 1 2 3 - 5 6 7 8' });
    const figures = Object.fromEntries(
      Object.entries(FIGURES).map(([column, field]) => [field, take(column as ResultColumn, readFigure)]),
    );
    const tester = testers.get(sameKey(at('tester')));
    const tells = take('looked_at', readTells) ?? tester?.tells ?? given.tells;
    const by = tester ?? job.testers[given.testerId ?? ''] ?? null;
    const split = take('split_pairs', readSplit);
    const made = ResultSchema.safeParse({
      id: newId(),
      runId: run?.id ?? 'none',
      seq: first + rows.length,
      testerId: by?.id ?? null,
      tells,
      passed: passed ?? false,
      at: when,
      by: at('by') || given.by,
      map: readWireMap(wires) === null ? '' : wires,
      // A plain PASS says nothing of split pairs where nobody said that its tester detects them.
      splitSeen: split ?? (passed === true && (tells === 'certified' || (by && detectsSplits(by))) ? false : null),
      screen: take('screen', readScreen) ?? 'not-tested',
      ...figures,
      end: take('end', readEnd) ?? '',
      limit: at('limit'),
      note: at('note'),
      file: given.file,
    });
    if (!made.success) faults.push({ field: 'row', found: label, expected: issueWords(made.error).join('; ') });
    const result = made.success && faults.length === 0 ? made.data : null;
    const row: ResultRow = {
      line,
      label,
      result,
      values: value ? [value] : [],
      faults,
      becomes: result === null ? 'not taken' : known.has(about(result)) ? 'same' : 'new',
    };
    if (result) known.add(about(result));
    rows.push(row);
    before = key;
  }
  for (const row of rows) {
    if (row.result === null || row.values.length === 0) continue;
    const worst = worstMargin(row.values, row.result.limit);
    const { marginDb } = row.result;
    // The tester's own margin stands unless a value in its file misses the limit that it names.
    if (worst && (marginDb === null || worst.marginDb < Math.min(0, marginDb)))
      row.result = {
        ...row.result,
        marginDb: Math.round(worst.marginDb * 100) / 100,
        marginOf: worst.of.slice(0, 160),
      };
  }
  const counts = { new: 0, same: 0, 'not taken': 0 };
  for (const { becomes } of rows) counts[becomes] += 1;
  return { rows, counts };
}

const dayAndTime = (day: string | null, time: string | null): string => (day ? `${day}T${time ?? '00:00'}` : '');

/** The value of a sweep that a row holds; null where it holds none. */
function sweepValue(at: (column: ResultColumn) => string, faults: CellFault[]): ResultValue | null {
  if (at('frequency_mhz') === '' && at('value_db') === '') return null;
  const [mhz, db] = [readFigure(at('frequency_mhz')), readFigure(at('value_db'))];
  for (const [field, read] of [
    ['frequency_mhz', mhz],
    ['value_db', db],
  ] as const)
    if ('expected' in read || read.value === null) faults.push({ field, found: at(field), expected: 'a figure' });
  return 'value' in mhz && 'value' in db && mhz.value !== null && db.value !== null
    ? { measure: at('measure').slice(0, 40), pair: at('pair').slice(0, 20), mhz: mhz.value, db: db.value }
    : null;
}

/** Commands that take the new tests. */
export const resultCommands = (job: Job, { rows }: ResultsPreview): Command[] =>
  rowCommands(
    job,
    rows.flatMap(({ becomes, result }) =>
      becomes === 'new' && result ? [{ table: 'results' as const, record: results.make(result) }] : [],
    ),
  );

/** `Row 7, wire_map: found “1 2 3”, expected eight far pins.` */
export const cellFaultWords = (line: number, { field, found, expected }: CellFault): string =>
  `Row ${line}${field === 'row' ? '' : `, ${field}`}: found ${found === '' ? 'nothing' : `“${found}”`}, expected ${expected}.`;
