import Papa from 'papaparse';
import { csvCell } from '../../base/text/csvCell';
import type { Job } from '../../job/document/job';
import { proofs } from '../../trade/testing/proof';

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
  'pair_12_m',
  'pair_36_m',
  'pair_45_m',
  'pair_78_m',
  'skew_ns',
  'delay_ns',
  'loop_ohm',
  'screen',
  'split_pairs',
  'speed_mbps',
  'volts',
  'watts',
  'loss_db',
  'length_m',
  'wavelength_nm',
  'mated_pairs',
  'splices',
  'limit',
  'margin_db',
  'margin_of',
  'end',
  'note',
] as const;

/** Every result of every run, latest first; a run that was never tested has a row too. */
export function testsCsv(job: Job): string {
  const data = proofs(job).flatMap(({ run, state, words, results }) => {
    const head = [run.label, run.floor, run.room, run.outlet, state, words];
    if (results.length === 0) return [COLUMNS.map((_, at) => csvCell(head[at] ?? ''))];
    const figure = (value: number | null) => (value === null ? '' : String(value));
    return results.map((result) =>
      [
        ...head,
        result.at,
        result.by,
        job.testers[result.testerId ?? '']?.name ?? '',
        result.tells,
        result.passed ? 'yes' : 'no',
        result.map,
        ...[result.pair12M, result.pair36M, result.pair45M, result.pair78M].map(figure),
        ...[result.skewNs, result.delayNs, result.loopOhm].map(figure),
        result.screen,
        result.splitSeen === null ? '' : result.splitSeen ? 'yes' : 'no',
        ...[result.speedMbps, result.volts, result.watts, result.lossDb].map(figure),
        ...[result.lengthM, result.wavelengthNm, result.matedPairs, result.splices].map(figure),
        result.limit,
        figure(result.marginDb),
        result.marginOf,
        result.end,
        result.note,
      ].map(csvCell),
    );
  });
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n' })}\n`;
}
