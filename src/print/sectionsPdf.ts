import type { Paper } from '../core/base/standards/countries';
import type { SheetSection } from '../core/exchange/formats/sheetSection';
import { A4, openPdf } from './pdf';
import { drawSection, MARGIN, WIDTH } from './sheetSection';

/** A heading and its sections, one below the other. @param root folder of the program, where its fonts are */
export function sectionsPdf(
  title: string,
  sections: readonly SheetSection[],
  root: string,
  paper: Paper,
): Promise<Buffer> {
  const pdf = openPdf(title, root, paper);
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.text(pdf.fitted(title, WIDTH, 6, true), MARGIN, 20, 6, true);
  let y = 32;
  for (const section of sections) y = drawSection(pdf, section, y) + 5;
  return pdf.finish();
}
