/** Text that a spreadsheet would run as a formula, however many apostrophes stand before it. */
const FORMULA = /^'*[=+\-@\t\r]/;
/** A figure below zero runs as nothing but itself. */
const FIGURE = /^-\d+(\.\d+)?$/;

/** A cell for a spreadsheet: an apostrophe before what it would run as a formula. */
export const csvCell = (text: string): string => (FORMULA.test(text) && !FIGURE.test(text) ? `'${text}` : text);

/** The text of a cell written by `csvCell`. */
export const plainCell = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell);
