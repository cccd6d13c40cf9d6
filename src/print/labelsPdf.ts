import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { LabelPages, Mark } from '../core/labels/labelPages';
import { codeMatrix, QUIET_MODULES } from './codeMatrix';

const POINTS = 72 / 25.4;
// The whole face in one file: a PDF carries its own letters.
const face = (root: string, weight: string) =>
  readFileSync(join(root, 'node_modules/@expo-google-fonts/jetbrains-mono', weight, `JetBrainsMono_${weight}.ttf`));

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
    const width = document.widthOfString(mark.text);
    document.text(mark.text, mark.x - width / 2, mark.y - mark.sizeMm * 0.66, { lineBreak: false });
  } else {
    const rows = codeMatrix(mark.text);
    const module = mark.sizeMm / (rows.length + 2 * QUIET_MODULES);
    for (const [y, row] of rows.entries()) {
      for (const [x, dark] of row.entries()) {
        if (dark)
          document.rect(mark.x + (x + QUIET_MODULES) * module, mark.y + (y + QUIET_MODULES) * module, module, module);
      }
    }
    document.fill('#000');
  }
}

/**
 * Sheets of labels as PDF in true size, a page a sheet.
 * @param root folder of the program, where its fonts are
 */
export function labelsPdf({ widthMm, heightMm, pages }: LabelPages, title: string, root: string): Promise<Buffer> {
  const size: [number, number] = [widthMm * POINTS, heightMm * POINTS];
  const document = new PDFDocument({ size, margin: 0, autoFirstPage: false, info: { Title: title } });
  document.registerFont('plain', face(root, '400Regular'));
  document.registerFont('bold', face(root, '700Bold'));
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    document.on('error', reject);
  });
  for (const marks of pages.length > 0 ? pages : [[]]) {
    document.addPage({ size, margin: 0 });
    document.scale(POINTS);
    for (const mark of marks) draw(document, mark);
  }
  document.end();
  return done;
}
