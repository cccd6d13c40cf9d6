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
