import { paperOf } from '../core/base/standards/countries';
import { buildSheet, kitSection } from '../core/exchange/formats/buildSheet';
import type { Job } from '../core/job/document/job';
import { elevation } from '../core/job/rack/elevation';
import type { BuildPapers } from '../core/trade/build/buildPapers';
import type { BuildPlan } from '../core/trade/build/buildPlan';
import type { KitLine } from '../core/trade/build/kit';
import { jobAfter } from '../core/trade/build/play';
import { A4, openPdf, type Pdf } from './pdf';
import { drawSection, MARGIN, WIDTH } from './sheetSection';

const ACROSS = 4;
const GAP = 6;

/** The build list with boxes to tick, and the cabinet at each stage. */
export function buildPdf(job: Job, { plan, kit, findings }: BuildPapers, root: string): Promise<Buffer> {
  const pdf = openPdf(`Build list of ${job.name}`, root, paperOf(job));
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.text(pdf.fitted(`Build: ${job.name}`, WIDTH, 6, true), MARGIN, 20, 6, true);
  pdf.text(
    plan.cutover.todayName === '' ? 'From nothing' : pdf.fitted(`From: ${plan.cutover.todayName}`, WIDTH, 3.4),
    MARGIN,
    27,
    3.4,
  );
  let y = 36;
  for (const section of buildSheet(job, plan, kit, findings)) y = drawSection(pdf, section, y) + 5;
  drawStages(pdf, plan);
  return pdf.finish();
}

/** Kit and shopping list alone. */
export function kitPdf(job: Job, kit: readonly KitLine[], root: string): Promise<Buffer> {
  const pdf = openPdf(`Kit of ${job.name}`, root, paperOf(job));
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.text(pdf.fitted(`Kit: ${job.name}`, WIDTH, 6, true), MARGIN, 20, 6, true);
  drawSection(pdf, kitSection(kit), 32);
  return pdf.finish();
}

/** The front of each rack after each step that changes what stands in it. */
function drawStages(pdf: Pdf, plan: BuildPlan): void {
  const stages = [
    { words: 'Before', count: 0 },
    ...plan.planned.flatMap(({ entry }, at) =>
      entry.step.kind === 'gear' || entry.step.kind === 'rack-in'
        ? [{ words: `${at + 1}. ${entry.action === 'park' ? 'Set aside: ' : ''}${entry.step.words}`, count: at + 1 }]
        : [],
    ),
  ];
  const width = (WIDTH - GAP * (ACROSS - 1)) / ACROSS;
  let [x, y, tallest] = [MARGIN, 0, 0];
  const fresh = () => {
    pdf.page(A4.widthMm, A4.heightMm);
    pdf.text('The cabinet after each step that changes it', MARGIN, 20, 4, true);
    [x, y, tallest] = [MARGIN, 30, 0];
  };
  fresh();
  for (const { words, count } of stages) {
    const job = jobAfter(plan.present, plan.planned, count);
    for (const rack of Object.values(job.racks)) {
      const drawing = elevation(job, rack);
      const scale = width / drawing.widthMm;
      const wordsHeight = pdf.heightOf(words, width, 2.2);
      const height = drawing.heightMm * scale + wordsHeight + 4;
      if (x + width > MARGIN + WIDTH + 0.1) [x, y, tallest] = [MARGIN, y + tallest + GAP, 0];
      if (y + height > A4.heightMm - 16) fresh();
      pdf.lines(words, x, y, width, 2.2);
      const top = y + wordsHeight + 1;
      pdf.document
        .rect(x, top, width, drawing.heightMm * scale)
        .lineWidth(0.3)
        .stroke('#222');
      for (const item of drawing.items.filter(({ face }) => face === 'front')) {
        const [left, up] = [x + Math.max(0, item.x) * scale, top + item.y * scale];
        const [across, tall] = [Math.min(item.width, drawing.widthMm) * scale, item.height * scale];
        pdf.document.rect(left, up, across, tall).lineWidth(0.2).stroke('#222');
        const size = Math.min(2.2, tall - 0.6);
        pdf.text(pdf.fitted(item.name, across - 1.4, size), left + 0.7, up + tall / 2 + size / 2.8, size);
      }
      tallest = Math.max(tallest, height);
      x += width + GAP;
    }
  }
}
