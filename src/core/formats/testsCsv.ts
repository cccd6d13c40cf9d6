import Papa from 'papaparse';
import type { Job } from '../job/job';
import { proofs } from '../proving/proof';
import { csvCell } from '../text/csvCell';

const COLUMNS = [
  'label',
  'floor',
  'room',
  'outlet',
  'state',
  'why',
  'tested_at',
  'by',
  'tester',
  'looked_at',
  'passed',
  'wire_map',
  'speed_mbps',
  'note',
] as const;

/** Every result of every run, latest first; a run that was never tested has a row too. */
export function testsCsv(job: Job): string {
  const data = proofs(job).flatMap(({ run, state, words, results }) => {
    const head = [run.label, run.floor, run.room, run.outlet, state, words];
    if (results.length === 0) return [[...head, '', '', '', '', '', '', '', ''].map(csvCell)];
    return results.map((result) =>
      [
        ...head,
        result.at,
        result.by,
        job.testers[result.testerId ?? '']?.name ?? '',
        result.tells,
        result.passed ? 'yes' : 'no',
        result.map,
        result.speedMbps === null ? '' : String(result.speedMbps),
        result.note,
      ].map(csvCell),
    );
  });
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n' })}\n`;
}
