import { testSheet } from '../core/formats/testSheet';
import type { Job } from '../core/job/job';
import { A4, openPdf } from './pdf';
import { drawSection, MARGIN, WIDTH } from './sheetSection';

/** The test report: summary, each run, what was tested again, testers. */
export function testsPdf(job: Job, root: string): Promise<Buffer> {
  const pdf = openPdf(`Test report of ${job.name}`, root);
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.text(pdf.fitted(`Tests: ${job.name}`, WIDTH, 6, true), MARGIN, 20, 6, true);
  let y = 32;
  for (const section of testSheet(job)) y = drawSection(pdf, section, y) + 5;
  return pdf.finish();
}
