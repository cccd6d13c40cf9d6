import { paperOf } from '../core/base/standards/countries';
import { faultCards } from '../core/exchange/formats/faultCards';
import type { Job } from '../core/job/document/job';
import { A4, notePage, openPdf } from './pdf';

const MARGIN = 12;
const GAP = 6;
const PAD = 4;
const WIDTH = A4.widthMm - 2 * MARGIN;

/** A card for each run that failed, to cut out and hang at it. */
export function faultCardsPdf(job: Job, root: string): Promise<Buffer> {
  const cards = faultCards(job);
  const pdf = openPdf(`Fault cards of ${job.name}`, root, paperOf(job));
  if (cards.length === 0) notePage(pdf, 'No run has failed its latest test.');
  const inner = WIDTH - 2 * PAD;
  let y = Number.POSITIVE_INFINITY;
  for (const { label, where, words, todo, place, tested } of cards) {
    const lines = [words, ...(place ? [place] : []), ...todo.map((one, at) => `${at + 1}. ${one}`)];
    const height = 22 + lines.reduce((sum, line) => sum + pdf.heightOf(line, inner, 3.4) + 1.5, 0) + 8;
    if (y + height > A4.heightMm - MARGIN) {
      pdf.page(A4.widthMm, A4.heightMm);
      y = MARGIN;
    }
    pdf.document.rect(MARGIN, y, WIDTH, height).lineWidth(0.5).stroke('#000');
    pdf.text(pdf.fitted(`FAULT  ${label}`, inner, 8, true), MARGIN + PAD, y + 11, 8, true);
    pdf.text(pdf.fitted(where || 'place not known', inner, 3.4), MARGIN + PAD, y + 17, 3.4);
    let at = y + 23;
    for (const line of lines) at = pdf.lines(line, MARGIN + PAD, at, inner, 3.4) + 1.5;
    pdf.text(
      pdf.fitted(`Tested ${tested || 'at a time that is not known'}. Mended by ________  on ________`, inner, 3),
      MARGIN + PAD,
      y + height - 3,
      3,
    );
    y += height + GAP;
  }
  return pdf.finish();
}
