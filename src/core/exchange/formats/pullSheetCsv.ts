import Papa from 'papaparse';
import { csvCell } from '../../base/text/csvCell';
import { exactLength } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { pullSheet } from '../../trade/runs/pullSheet';

/** The pull sheet as CSV, a cable a row, in the order of the work. */
export function pullSheetCsv(job: Job): string {
  const unit = job.units === 'metric' ? 'm' : 'ft';
  const length = (mm: number | null) => (mm === null ? '' : exactLength(mm, unit));
  const fields = [
    'pull',
    'label',
    'floor',
    'room',
    'outlet',
    'cable',
    'box',
    `cut_${unit}`,
    `mark_from_${unit}`,
    `mark_to_${unit}`,
    `left_in_box_${unit}`,
    'state',
  ];
  const data = pullSheet(job).map(({ pull, run, box, lengthMm, fromMarkMm, toMarkMm, leftMm }) => [
    pull,
    csvCell(run.label),
    csvCell(run.floor),
    csvCell(run.room),
    csvCell(run.outlet),
    csvCell(box.cable),
    csvCell(box.name),
    length(lengthMm),
    length(fromMarkMm),
    length(toMarkMm),
    length(leftMm),
    run.state,
  ]);
  return `${Papa.unparse({ fields, data }, { newline: '\n' })}\n`;
}
