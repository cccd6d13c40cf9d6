import { create } from 'qrcode';

/** The modules of a two-dimensional code, row by row; true is dark. */
export function codeMatrix(text: string): boolean[][] {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  return Array.from({ length: modules.size }, (_, row) =>
    Array.from({ length: modules.size }, (__, column) => Boolean(modules.get(row, column))),
  );
}

/** Light modules that a scanner needs around the code. */
export const QUIET_MODULES = 2;

/** A code with its quiet edge in a square of a document in millimetres. */
export function drawCode(document: PDFKit.PDFDocument, text: string, x: number, y: number, sizeMm: number): void {
  const rows = codeMatrix(text);
  const module = sizeMm / (rows.length + 2 * QUIET_MODULES);
  for (const [down, row] of rows.entries()) {
    for (const [across, dark] of row.entries()) {
      if (dark)
        document.rect(x + (across + QUIET_MODULES) * module, y + (down + QUIET_MODULES) * module, module, module);
    }
  }
  document.fill('#000');
}
