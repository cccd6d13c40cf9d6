import { powerSheet, type SheetSection } from '../core/formats/powerSheet';
import type { Job } from '../core/job/job';
import { A4, openPdf, type Pdf } from './pdf';

const MARGIN = 14;
const WIDTH = A4.widthMm - 2 * MARGIN;
const BOTTOM = A4.heightMm - 16;
const SIZE = 2.8;

/** The power sheet: circuits, outlets, what goes dark, batteries, heat, cautions. */
export function powerPdf(job: Job, root: string, today: string): Promise<Buffer> {
  const pdf = openPdf(`Power sheet of ${job.name}`, root);
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.text(pdf.fitted(`Power: ${job.name}`, WIDTH, 6, true), MARGIN, 20, 6, true);
  pdf.text(`Batteries as of ${today}`, MARGIN, 27, 3.4);
  let y = 36;
  for (const section of powerSheet(job, today)) y = drawSection(pdf, section, y) + 5;
  return pdf.finish();
}

function drawSection(pdf: Pdf, { title, columns, rows, notes }: SheetSection, top: number): number {
  const all = columns.reduce((sum, { share }) => sum + share, 0);
  const widths = columns.map(({ share }) => (WIDTH * share) / all);
  const at = widths.map((_, column) => MARGIN + widths.slice(0, column).reduce((sum, one) => sum + one, 0));
  let y = top;
  const onto = (room: number, again: () => void = () => {}) => {
    if (y + room <= BOTTOM) return;
    pdf.page(A4.widthMm, A4.heightMm);
    y = 20;
    again();
  };
  const heads = () => {
    columns.forEach(({ head }, column) => {
      pdf.text(head, at[column] ?? MARGIN, y, 2.4, true);
    });
    if (columns.length > 0) y += 4.6;
  };
  onto(22);
  pdf.text(title, MARGIN, y, 4, true);
  y += 6.5;
  heads();
  for (const row of rows) {
    const heights = row.map((words, column) => pdf.heightOf(words, (widths[column] ?? WIDTH) - 2, SIZE));
    onto(Math.max(...heights) + 1.4, heads);
    row.forEach((words, column) => {
      pdf.lines(words, at[column] ?? MARGIN, y, (widths[column] ?? WIDTH) - 2, SIZE);
    });
    y += Math.max(...heights) + 1.4;
  }
  for (const note of notes) {
    onto(pdf.heightOf(note, WIDTH, 2.6) + 1);
    y = pdf.lines(note, MARGIN, y, WIDTH, 2.6) + 1;
  }
  return y;
}
