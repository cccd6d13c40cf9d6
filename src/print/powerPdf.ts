import { paperOf } from '../core/base/standards/countries';
import { powerSheet } from '../core/exchange/formats/powerSheet';
import type { Job } from '../core/job/document/job';
import { A4, openPdf } from './pdf';
import { drawSection, MARGIN, WIDTH } from './sheetSection';

/** The power sheet: circuits, outlets, what goes dark, batteries, heat, cautions. */
export function powerPdf(job: Job, root: string, today: string): Promise<Buffer> {
  const pdf = openPdf(`Power sheet of ${job.name}`, root, paperOf(job));
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.text(pdf.fitted(`Power: ${job.name}`, WIDTH, 6, true), MARGIN, 20, 6, true);
  pdf.text(`Batteries as of ${today}`, MARGIN, 27, 3.4);
  let y = 36;
  for (const section of powerSheet(job, today)) y = drawSection(pdf, section, y) + 5;
  return pdf.finish();
}
