import Papa from 'papaparse';
import { refuse } from '../../base/text/refusal';
import { TABLES } from '../../job/document/tables';
import { columnFor } from '../../trade/runs/runColumns';

const MOST_ROWS = TABLES.runs.atMost;
const MOST_COLUMNS = 100;
/** Rows without a word that a sheet may have. */
const MOST_EMPTY = 10_000;
const SEPARATORS = [',', ';', '\t', '|'];

/**
 * A table as read from text. `line` is the row of the sheet, the first being row 1; empty rows are left out, as are title
 * lines above the header.
 */
export type CsvTable = {
  header: string[];
  rows: { line: number; cells: string[] }[];
  separator: string;
  /** Lines with text above the header. */
  above: number;
};

const isEmpty = (cells: string[]): boolean => cells.every((cell) => cell.trim() === '');

/** The header is looked for in so many lines: title, site, date and the like stand above it. */
const MOST_ABOVE = 15;

/** The separator that one of the first lines uses most; the comma where none is used. */
function separatorOf(text: string): string {
  const lines = text
    .slice(0, 100_000)
    .replace(/"[^"]*"/g, '')
    .split(/\r?\n|\r/)
    .filter((line) => line.trim() !== '')
    .slice(0, MOST_ABOVE + 1);
  const count = (separator: string) => Math.max(1, ...lines.map((line) => line.split(separator).length));
  return SEPARATORS.reduce((best, one) => (count(one) > count(best) ? one : best));
}

/** Where the header stands: the line that knows the most headings, two at least; else the first. */
function headerAt(rows: readonly { cells: string[] }[], knows: (heading: string) => boolean): number {
  const known = rows
    .slice(0, MOST_ABOVE + 1)
    .map(({ cells }) => cells.filter((cell) => cell.trim() !== '' && knows(cell)).length);
  const most = Math.max(0, ...known);
  return most >= 2 ? known.indexOf(most) : 0;
}

/** What a table is of: the headings it may have, so many rows, and what a row holds. */
export type TableKind = { knows: (heading: string) => boolean; most: number; row: string };
const OF_RUNS: TableKind = { knows: (one) => columnFor(one, 'metric') !== null, most: MOST_ROWS, row: 'run' };

/**
 * Read separated text with a header row. Separators, quotes, line ends and ragged rows are taken as they come.
 * @throws Refusal when there is no header and row, or too many of them
 */
export function readCsvTable(text: string, { knows, most, row: what }: TableKind = OF_RUNS): CsvTable {
  const separator = separatorOf(text);
  // Of a file with far more rows than may be, the rest is not read.
  const mostLines = most * 2 + MOST_EMPTY;
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimiter: separator,
    skipEmptyLines: false,
    preview: mostLines,
  });
  if (parsed.meta.truncated && parsed.data.length >= mostLines)
    refuse('too-many-rows', `There are more than ${mostLines} rows; expected at most ${most}. Split the file.`);
  const rows = parsed.data.map((cells, at) => ({ line: at + 1, cells })).filter(({ cells }) => !isEmpty(cells));
  const above = headerAt(rows, knows);
  const [head, ...body] = rows.slice(above);
  if (!head || body.length === 0) {
    refuse(
      'no-rows',
      `There are no rows: expected a header with the names of the columns, and one ${what} a row below it.`,
    );
  }
  if (body.length > most) {
    refuse('too-many-rows', `There are ${body.length} rows; expected at most ${most}. Split the file.`);
  }
  if (head.cells.length > MOST_COLUMNS) {
    refuse(
      'too-many-columns',
      `The header has ${head.cells.length} columns; expected at most ${MOST_COLUMNS}.`,
      'row 1',
    );
  }
  const unclosed = parsed.errors.find((error) => error.code === 'MissingQuotes');
  if (unclosed) {
    const row = (unclosed.row ?? 0) + 1;
    refuse('open-quote', `Row ${row}: a quote is opened and never closed. Close it, or double it.`, `row ${row}`);
  }
  return { header: head.cells.map((cell) => cell.trim()), rows: body, separator, above };
}
