import type { Gathering } from '../core/findings/wiring/gatherRuns';
import { type LoomMark, loomSheets } from '../core/findings/wiring/loomSheets';
import type { Job } from '../core/job/document/job';
import { drawLine, lineWidth, openPdf } from './pdf';

function draw(document: PDFKit.PDFDocument, mark: LoomMark): void {
  document.undash();
  if (mark.kind === 'text') {
    document
      .font(mark.bold ? 'bold' : 'plain')
      .fontSize(mark.sizeMm)
      .fillColor('#000');
    const width = lineWidth(document, mark.text);
    const left = { start: 0, middle: width / 2, end: width }[mark.anchor];
    drawLine(document, mark.text, mark.x - left, mark.y - mark.sizeMm * 0.66);
  } else if (mark.kind === 'box') {
    document.roundedRect(mark.x, mark.y, mark.width, mark.height, 0.4);
    if (mark.line === 'none') document.fill('#fff');
    else document.lineWidth(mark.line === 'thick' ? 0.6 : 0.2).fillAndStroke('#fff', '#222');
  } else if (mark.kind === 'rule') {
    document.lineWidth(0.3).moveTo(mark.x1, mark.y1).lineTo(mark.x2, mark.y2).stroke('#222');
  } else {
    const { x1, y1, x2, y2, ink, dashesMm, widthMm } = mark;
    const middle = (x1 + x2) / 2;
    document.lineWidth(widthMm);
    // A pattern may have more than one stroke: the types know but one.
    if (dashesMm.length > 0) document.dash(dashesMm as unknown as number, {});
    document.moveTo(x1, y1).bezierCurveTo(middle, y1, middle, y2, x2, y2).stroke(ink);
  }
}

/** The loom on as many pages as it needs. @param root folder of the program, where its fonts are */
export function loomPdf(job: Job, gathering: Gathering, root: string): Promise<Buffer> {
  const pdf = openPdf(`Loom of ${job.name}`, root);
  const { widthMm, heightMm, sheets } = loomSheets(job, gathering);
  for (const marks of sheets) {
    pdf.page(widthMm, heightMm);
    for (const mark of marks) draw(pdf.document, mark);
  }
  return pdf.finish();
}
