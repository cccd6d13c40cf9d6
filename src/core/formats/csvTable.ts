import Papa from 'papaparse';
import { TABLES } from '../job/tables';
import { refuse } from '../text/refusal';

const MOST_ROWS = TABLES.runs.atMost;
const MOST_COLUMNS = 100;
const SEPARATORS = [',', ';', '\t', '|'];

/** A table as read from text. `line` is the row of the sheet, the header being row 1; empty rows are left out. */
export type CsvTable = {
  header: string[];
  rows: { line: number; cells: string[] }[];
  separator: string;
};

const isEmpty = (cells: string[]): boolean => cells.every((cell) => cell.trim() === '');

/** The separator that the first line with any text uses most; the comma where there is none. */
function separatorOf(text: string): string {
  const line = /[^\r\n]*\S[^\r\n]*/.exec(text.slice(0, 100_000))?.[0].replace(/"[^"]*"/g, '') ?? '';
  const count = (separator: string) => line.split(separator).length;
  return SEPARATORS.reduce((best, one) => (count(one) > count(best) ? one : best));
}

/**
 * Read separated text with a header row. Separators, quotes, line ends and ragged rows are taken as they come.
 * @throws Refusal when there is no header and row, or too many of them
 */
export function readCsvTable(text: string): CsvTable {
  const separator = separatorOf(text);
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter: separator, skipEmptyLines: false });
  const rows = parsed.data.map((cells, at) => ({ line: at + 1, cells })).filter(({ cells }) => !isEmpty(cells));
  const [head, ...body] = rows;
  if (!head || body.length === 0) {
    refuse(
      'no-rows',
      'There are no rows: expected a header with the names of the columns, and one run a row below it.',
    );
  }
  if (body.length > MOST_ROWS) {
    refuse('too-many-rows', `There are ${body.length} rows; expected at most ${MOST_ROWS}. Split the file.`);
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
  return { header: head.cells.map((cell) => cell.trim()), rows: body, separator };
}
