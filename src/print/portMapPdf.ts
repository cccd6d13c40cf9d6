import { paperOf } from '../core/base/standards/countries';
import { deviceRows } from '../core/exchange/formats/portMap';
import type { Job } from '../core/job/document/job';
import { indexJob } from '../core/job/document/jobIndex';
import { traceParts, traceRun } from '../core/trade/trace/traceRun';
import { A4, openPdf } from './pdf';

const MARGIN = 12;
const ROW = 5.2;
const SIZE = 2.7;
/** Left edges of the columns on a page laid across, mm, and their names: the parts of the trace in their order. */
const COLUMNS = [
  { name: 'Outlet', x: 0, width: 62 },
  { name: 'Run', x: 63, width: 58 },
  { name: 'Device', x: 122, width: 30 },
  { name: 'Panel port', x: 153, width: 40 },
  { name: 'Cord', x: 194, width: 22 },
  { name: 'Switch port', x: 217, width: 36 },
  { name: 'Network', x: 254, width: 20 },
] as const;

/** The port map, a line a run: the trace of each run as it stands on the screen. Cords inside the cabinet stand below. */
export function portMapPdf(job: Job, root: string): Promise<Buffer> {
  const pdf = openPdf(`Port map of ${job.name}`, root, paperOf(job));
  const { page, text, fitted, document } = pdf;
  const runs = indexJob(job).runsInOrder;
  const width = A4.heightMm;
  const height = A4.widthMm;
  let y = Number.POSITIVE_INFINITY;
  let number = 0;
  const head = () => {
    page(width, height);
    number += 1;
    text(`Port map: ${job.name}`, MARGIN, 14, 5, true);
    text(`page ${number}`, width - MARGIN - 16, 14, SIZE);
    for (const column of COLUMNS) text(column.name, MARGIN + column.x, 23, SIZE, true);
    document
      .lineWidth(0.3)
      .moveTo(MARGIN, 25)
      .lineTo(width - MARGIN, 25)
      .stroke();
    y = 30;
  };
  if (runs.length === 0) head();
  for (const run of runs) {
    if (y > height - MARGIN) head();
    const parts = traceParts(job, traceRun(job, run));
    for (const column of COLUMNS) {
      const part = parts.find((one) => one.kind === column.name);
      if (!part) continue;
      const left = MARGIN + column.x;
      // The port is told whatever the name: short and whole first, the long name as far as there is room.
      if (part.short) {
        text(part.short, left, y, SIZE, true);
        const used = pdf.widthOf(`${part.short}  `, SIZE, true);
        const name = part.words.slice(0, part.words.lastIndexOf(' · '));
        text(fitted(name, column.width - used, SIZE), left + used, y, SIZE);
      } else text(fitted(part.words, column.width, SIZE), left, y, SIZE, column.name === 'Run' && run.critical);
    }
    document
      .lineWidth(0.08)
      .moveTo(MARGIN, y + 1.6)
      .lineTo(width - MARGIN, y + 1.6)
      .stroke();
    y += ROW;
  }
  for (const { device, outlet, switch: host, switch_port, cord_length_m, cord_colour } of deviceRows(job)) {
    if (y > height - MARGIN) head();
    const cord = [cord_length_m && `${cord_length_m} m`, cord_colour].filter(Boolean).join(' ');
    const cells: [string, (typeof COLUMNS)[number]['name']][] = [
      ['in the cabinet', 'Outlet'],
      [`${device} ${outlet}`, 'Run'],
      [cord, 'Cord'],
      [`${host} ${switch_port}`, 'Switch port'],
    ];
    for (const [words, name] of cells) {
      const column = COLUMNS.find((one) => one.name === name);
      if (column) text(fitted(words, column.width, SIZE), MARGIN + column.x, y, SIZE);
    }
    y += ROW;
  }
  return pdf.finish();
}
