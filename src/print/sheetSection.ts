import type { SheetSection } from '../core/exchange/formats/sheetSection';
import { A4, type Pdf } from './pdf';

export const MARGIN = 14;
export const WIDTH = A4.widthMm - 2 * MARGIN;
export const BOTTOM = A4.heightMm - 16;
const SIZE = 2.8;
/** A box to tick, mm. */
const BOX = 3.2;

/** @param y baseline of the row */
const box = (pdf: Pdf, x: number, y: number): void => {
  pdf.document
    .rect(x, y - BOX + 0.4, BOX, BOX)
    .lineWidth(0.25)
    .stroke('#222');
};

/** Draw a section from a height on, on new pages where it needs them. @returns the height below it */
export function drawSection(pdf: Pdf, { title, columns, rows, notes, ticked }: SheetSection, top: number): number {
  const inset = ticked ? BOX + 2 : 0;
  const all = columns.reduce((sum, { share }) => sum + share, 0);
  const widths = columns.map(({ share }) => ((WIDTH - inset) * share) / all);
  const at = widths.map((_, column) => MARGIN + inset + widths.slice(0, column).reduce((sum, one) => sum + one, 0));
  let y = top;
  const onto = (room: number, again: () => void = () => {}) => {
    if (y + room <= BOTTOM) return;
    pdf.page(A4.widthMm, A4.heightMm);
    y = 20;
    again();
  };
  const heads = () => {
    columns.forEach(({ head }, column) => {
      pdf.text(head, at[column] ?? MARGIN, y, 2.4, true);
    });
    if (columns.length > 0) y += 4.6;
  };
  onto(22);
  pdf.text(title, MARGIN, y, 4, true);
  y += 6.5;
  heads();
  for (const row of rows) {
    const heights = row.map((words, column) => pdf.heightOf(words, (widths[column] ?? WIDTH) - 2, SIZE));
    onto(Math.max(...heights) + 1.4, heads);
    if (ticked) box(pdf, MARGIN, y);
    row.forEach((words, column) => {
      pdf.lines(words, at[column] ?? MARGIN, y, (widths[column] ?? WIDTH) - 2, SIZE);
    });
    y += Math.max(...heights) + 1.4;
  }
  for (const note of notes) {
    onto(pdf.heightOf(note, WIDTH, 2.6) + 1);
    y = pdf.lines(note, MARGIN, y, WIDTH, 2.6) + 1;
  }
  return y;
}
