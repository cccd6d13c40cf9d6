import { paperOf } from '../core/base/standards/countries';
import { elevationSvg } from '../core/exchange/formats/elevationSvg';
import { floorPlanSvgs } from '../core/exchange/formats/floorPlanSvg';
import type { About, LogLine } from '../core/exchange/handover/about';
import { type PackSectionId, packSections } from '../core/exchange/handover/packSections';
import type { Job } from '../core/job/document/job';
import { answerOf } from '../core/trade/survey/answers/answers';
import { svgPng } from './elevationPng';
import { A4, openPdf, type Pdf, POINTS_PER_MM } from './pdf';
import { drawSection, MARGIN, WIDTH } from './sheetSection';

const TOP = 20;
const BOTTOM = A4.heightMm - 20;

/** The pack on paper: contents, then each section from a page of its own, every page with its number. */
export async function packPdf(
  job: Job,
  root: string,
  about: About,
  log: readonly LogLine[],
  chosen: readonly PackSectionId[],
): Promise<Buffer> {
  const pdf = openPdf(`Hand-over of ${job.name}`, root, paperOf(job), true);
  const { document } = pdf;
  const pages = () => document.bufferedPageRange().count;
  pdf.page(A4.widthMm, A4.heightMm);
  const contents: { title: string; page: number }[] = [];
  for (const { title, drawing, sheets } of packSections(job, chosen, about, log)) {
    const from = pages();
    if (drawing === 'elevation' && Object.keys(job.racks).length > 0)
      await drawPicture(pdf, 'Cabinet, front, rear and side', elevationSvg(job), root);
    if (drawing === 'plans')
      for (const { name, svg } of floorPlanSvgs(job)) await drawPicture(pdf, `Plan of ${name}`, svg, root);
    if (sheets.length > 0) {
      pdf.page(A4.widthMm, A4.heightMm);
      pdf.text(pdf.fitted(title, WIDTH, 6, true), MARGIN, TOP, 6, true);
      let y = TOP + 12;
      for (const section of sheets) y = drawSection(pdf, section, y) + 5;
    }
    if (pages() > from) contents.push({ title, page: from + 1 });
  }
  document.switchToPage(0);
  drawContents(pdf, job, about, contents);
  const count = pages();
  for (let at = 0; at < count; at++) {
    document.switchToPage(at);
    const { width, height } = document.page;
    const [widthMm, heightMm] = [width / POINTS_PER_MM, height / POINTS_PER_MM];
    pdf.text(pdf.fitted(`${job.name} · ${about.version}`, widthMm - 2 * MARGIN - 40, 2.6), MARGIN, heightMm - 8, 2.6);
    const words = `page ${at + 1} of ${count}`;
    pdf.text(words, widthMm - MARGIN - pdf.widthOf(words, 2.6), heightMm - 8, 2.6);
  }
  return pdf.finish();
}

function drawContents(pdf: Pdf, job: Job, about: About, contents: readonly { title: string; page: number }[]): void {
  let y = pdf.lines(job.name, MARGIN, 40, WIDTH, 9) + 4;
  y = pdf.lines('Hand-over of the network cabinet', MARGIN, y, WIDTH, 5) + 6;
  const firm = answerOf(job, 'firm').trim();
  if (firm) y = pdf.lines(`By ${firm}`, MARGIN, y, WIDTH, 4) + 3;
  const words = answerOf(job, 'firm-words').trim();
  if (words) y = pdf.lines(words, MARGIN, y, WIDTH, 3.6) + 3;
  y = pdf.lines(`${about.version}. Made on ${about.at.slice(0, 10)}.`, MARGIN, y, WIDTH, 3.6) + 10;
  pdf.text('Contents', MARGIN, y, 5, true);
  y += 9;
  for (const { title, page } of contents) {
    pdf.text(pdf.fitted(title, WIDTH - 20, 4), MARGIN, y, 4);
    const number = String(page);
    pdf.text(number, MARGIN + WIDTH - pdf.widthOf(number, 4), y, 4);
    y += 7;
  }
  pdf.lines(
    'Local codes and licensed practice go before everything that is written here. Mains work is for a licensed electrician.',
    MARGIN,
    y + 8,
    WIDTH,
    3.2,
  );
}

/** A drawing as large as a page lets it be, the page laid across where that is larger. */
async function drawPicture(pdf: Pdf, title: string, svg: string, root: string): Promise<void> {
  const found = /viewBox="[-\d.]+ [-\d.]+ ([\d.]+) ([\d.]+)"/.exec(svg);
  const [width, height] = [Number(found?.[1] ?? 1), Number(found?.[2] ?? 1)];
  const across = width > height;
  const [pageWidth, pageHeight] = across ? [A4.heightMm, A4.widthMm] : [A4.widthMm, A4.heightMm];
  pdf.page(pageWidth, pageHeight);
  pdf.text(pdf.fitted(title, pageWidth - 2 * MARGIN, 5, true), MARGIN, TOP - 4, 5, true);
  const room = { width: pageWidth - 2 * MARGIN, height: (across ? A4.widthMm - 20 : BOTTOM) - TOP - 4 };
  const scale = Math.min(room.width / width, room.height / height);
  const png = await svgPng(svg, root, width * scale * PIXELS_A_MM);
  pdf.document.image(Buffer.from(png), MARGIN, TOP + 2, { width: width * scale, height: height * scale });
}

const PIXELS_A_MM = 8;
