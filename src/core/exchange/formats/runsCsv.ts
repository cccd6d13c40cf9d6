import Papa from 'papaparse';
import { csvCell } from '../../base/text/csvCell';
import { exactLength } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { cellText, scheduleColumns } from '../../trade/runs/cells';
import { lengthIn } from '../../trade/runs/runColumns';

/** The run schedule as CSV, every field a column: taken in again, it changes nothing. */
export function runsCsv(job: Job): string {
  const columns = scheduleColumns(job.units);
  const rows = indexJob(job).runsInOrder.map((run) => {
    const network = run.networkId === null ? null : (job.networks[run.networkId] ?? null);
    return columns.map((column) => {
      const length = lengthIn(column);
      if (!length) return csvCell(cellText(run, network, column));
      const mm = run[length.field];
      return mm === null ? '' : exactLength(mm, length.unit);
    });
  });
  return `${Papa.unparse({ fields: columns, data: rows }, { newline: '\n' })}\n`;
}
