import { paperOf } from '../core/base/standards/countries';
import { compareJobs, type StrandEnds } from '../core/findings/wiring/compareJobs';
import type { Job } from '../core/job/document/job';
import { A4, openPdf } from './pdf';
import { BOTTOM, MARGIN, WIDTH } from './sheetSection';

const SIZE = 2.8;
const RED = '#b00020';
const BLACK = '#000';

const endsOf = (ends: StrandEnds | null): string =>
  ends === null ? 'not there' : [ends.panel ?? 'not landed', ends.device ?? 'not patched'].join(' – ');

/**
 * Two versions of a job on paper: what was stands in black, what is now in red, each told by a word too, so that a copy without
 * colour says the same.
 */
export function comparedPdf(before: Job, after: Job, from: number, to: number, root: string): Promise<Buffer> {
  const pdf = openPdf(`Step ${from} and step ${to} of ${after.name}`, root, paperOf(after));
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.text(pdf.fitted(after.name, WIDTH, 6, true), MARGIN, 20, 6, true);
  pdf.text(`Step ${from} (was, in black) and step ${to} (is, in red)`, MARGIN, 28, 3.4);
  let y = 38;
  const compared = compareJobs(before, after);
  const onto = (room: number) => {
    if (y + room <= BOTTOM) return;
    pdf.page(A4.widthMm, A4.heightMm);
    y = 20;
  };
  const put = (words: string, ink: string) => {
    onto(pdf.heightOf(words, WIDTH, SIZE) + 1);
    y = pdf.lines(words, MARGIN, y, WIDTH, SIZE, ink) + 0.6;
  };
  const title = (words: string) => {
    onto(14);
    y += 3;
    pdf.text(words, MARGIN, y, 4, true);
    y += 6;
  };
  if (compared.strands.length > 0) {
    title('Runs that end elsewhere');
    for (const { label, was, is } of compared.strands) {
      put(`was ${label}: ${endsOf(was)}`, BLACK);
      put(`is  ${label}: ${endsOf(is)}`, RED);
    }
  }
  for (const { title: table, lines } of compared.tables) {
    title(table);
    for (const line of lines) put(line, RED);
  }
  if (compared.tables.length === 0) put('There is no difference.', BLACK);
  return pdf.finish();
}
