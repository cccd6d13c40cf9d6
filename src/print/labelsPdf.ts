import type { LabelPages, Mark } from '../core/trade/labels/labelPages';
import { drawCode } from './codeMatrix';
import { drawLine, lineWidth, openPdf } from './pdf';

function draw(document: PDFKit.PDFDocument, mark: Mark): void {
  if (mark.kind === 'box') {
    document.lineWidth(0.1).strokeColor('#888');
    if (mark.dashed) document.dash(1, { space: 1 });
    else document.undash();
    document.rect(mark.x, mark.y, mark.width, mark.height).stroke();
  } else if (mark.kind === 'text') {
    document
      .font(mark.bold ? 'bold' : 'plain')
      .fontSize(mark.sizeMm)
      .fillColor('#000');
    const width = lineWidth(document, mark.text);
    drawLine(document, mark.text, mark.x - width / 2, mark.y - mark.sizeMm * 0.66);
  } else {
    drawCode(document, mark.text, mark.x, mark.y, mark.sizeMm);
  }
}

/**
 * Sheets of labels as PDF in true size, a page a sheet.
 * @param root folder of the program, where its fonts are
 */
export function labelsPdf({ widthMm, heightMm, pages }: LabelPages, title: string, root: string): Promise<Buffer> {
  const { document, page, finish } = openPdf(title, root);
  for (const marks of pages.length > 0 ? pages : [[]]) {
    page(widthMm, heightMm);
    for (const mark of marks) draw(document, mark);
  }
  return finish();
}
