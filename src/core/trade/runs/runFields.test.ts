import { describe, expect, it } from 'vitest';
import { apply, bench, counter } from '../../../../tests/support/jobs';
import { csvCell, plainCell } from '../../base/text/csvCell';
import { readCsvTable } from '../../exchange/formats/csvTable';
import { importCommand, previewRuns } from '../../exchange/formats/previewRuns';
import { readRunRow } from './readRunRow';
import { guessColumns, RUN_COLUMNS, type RunColumn } from './runColumns';

const read = (column: RunColumn, cell: string) => readRunRow([cell], [column]);

/** Cells that are taken: column, what stands there, and what the run then has. */
const TAKEN: [column: RunColumn, cell: string, fields: object][] = [
  ['jacket', ' blue ', { jacket: 'blue' }],
  ['bundle', 'north', { bundle: 'north' }],
  ['entry', 'Top', { entry: 'top' }],
  ['entry', '', { entry: null }],
  ['tail_m', '1,5', { tailMm: 1500 }],
  ['tail_m', '0', { tailMm: 0 }],
  ['tail_m', '900 mm', { tailMm: 900 }],
  ['tail_m', '', { tailMm: null }],
  ['tail_ft', '5', { tailMm: 1524 }],
  ['tail_ft', '18"', { tailMm: 457 }],
  ['outlet_height_m', '2.4', { outletHeightMm: 2400 }],
  ['outlet_height_ft', '8', { outletHeightMm: 2438 }],
  ['length_m', '74 ft', { lengthMm: 22_555 }],
  ['length_ft', '22.5 m', { lengthMm: 22_500 }],
  ['state', 'PULLED', { state: 'pulled' }],
  ['state', '', { state: 'wanted' }],
  ['origin', 'found', { origin: 'found' }],
  ['origin', '', { origin: 'new' }],
  ['origin', 'x', { origin: 'found' }],
  ['origin', 'Bestand', { origin: 'found' }],
  ['origin', 'nein', { origin: 'new' }],
  ['state', 'geprüft', { state: 'tested' }],
  ['scope', 'später', { scope: 'later' }],
  ['scope', 'later', { scope: 'later' }],
  ['scope', '', { scope: 'now' }],
  ['asked_by', 'wish-1.2.1', { askedBy: 'wish-1.2.1' }],
  ['carries', 'fiber', { carries: 'fibre' }],
  ['carries', 'data', { carries: 'ethernet' }],
  ['carries', '', { carries: 'ethernet' }],
  ['poe_class', 'Class 4', { poeClass: 4 }],
  ['poe_class', '0', { poeClass: 0 }],
  ['poe_class', '', { poeClass: null }],
  ['notes', "'=1+1", { notes: '=1+1' }],
  ['notes', "'tis here", { notes: "'tis here" }],
];

/** Cells that are not: what was expected instead is said. */
const REFUSED: [column: RunColumn, cell: string, expected: string][] = [
  ['tail_m', '-1', 'a length from 0 and up to 100 m, such as 1.5'],
  ['tail_m', 'short', 'a length from 0 and up to 100 m, such as 1.5'],
  ['tail_m', '101', 'a length from 0 and up to 100 m, such as 1.5'],
  ['tail_ft', '400', 'a length from 0 and up to 328 ft, such as 4'],
  ['outlet_height_m', '30', 'a length from 0 and up to 20 m, such as 0.3'],
  ['length_m', '0', 'a length above 0 and up to 10,000 m, such as 22.5'],
  ['entry', 'side', 'one of top, bottom, back, left, right'],
  ['state', 'done', 'one of wanted, pulled, tested, failed'],
  ['origin', 'blue', 'one of new, found'],
  ['scope', 'never', 'one of now, later'],
  ['carries', 'water', 'one of ethernet, fibre, coax, telephone, speaker, other'],
  ['poe_class', '9', 'a whole number from 0 to 8, or nothing'],
  ['poe_class', '2.5', 'a whole number from 0 to 8, or nothing'],
  ['poe_class', 'high', 'a whole number from 0 to 8, or nothing'],
  ['jacket', 'x'.repeat(31), 'at most 30 characters'],
  ['bundle', 'x'.repeat(41), 'at most 40 characters'],
];

describe('cells of the further fields', () => {
  it.each(TAKEN)('%s takes “%s”', (column, cell, fields) => {
    expect(read(column, cell)).toEqual({ fields, faults: [] });
  });

  it.each(REFUSED)('%s refuses “%s” and says what was expected', (column, cell, expected) => {
    expect(read(column, cell)).toEqual({ fields: {}, faults: [{ field: column, found: cell.slice(0, 60), expected }] });
  });

  it('guess every column by its own name, and the usual other names', () => {
    expect(guessColumns([...RUN_COLUMNS], 'metric')).toEqual(RUN_COLUMNS);
    expect(guessColumns(['Tail', 'Outlet height', 'Colour', 'Status', 'Entry side'], 'metric')).toEqual([
      'tail_m',
      'outlet_height_m',
      'jacket',
      'state',
      'entry',
    ]);
    expect(guessColumns(['Length', 'Free tail'], 'imperial')).toEqual(['length_ft', 'tail_ft']);
  });

  it('neutralise formulas for a spreadsheet, and read them back', () => {
    for (const text of ['=A1', '+1', '-A1', '-1-1', '@x', "'=A1", "''-1", 'plain', "'plain", '']) {
      expect(plainCell(csvCell(text))).toBe(text);
      expect(csvCell(text)).not.toMatch(/^[=+\-@]/);
    }
    // A figure below zero is no formula, and stays a figure.
    for (const figure of ['-1', '-0.35']) expect([csvCell(figure), plainCell(figure)]).toEqual([figure, figure]);
  });
});

describe('rows of the further fields', () => {
  const job = bench({ 1: { bundle: 'north', tailMm: 1200 } });

  it('show what changes, with units', () => {
    const table = readCsvTable('label,bundle,tail_m,state\n1,south,1.5,pulled\n2,south,,\n');
    const preview = previewRuns(job, table, guessColumns(table.header, 'metric'));
    expect(preview.counts).toEqual({ new: 1, changed: 1, same: 0, 'not taken': 0 });
    expect(preview.rows[0]?.differences).toEqual([
      { field: 'bundle', was: 'north', will: 'south' },
      { field: 'tailMm', was: '1.2 m', will: '1.5 m' },
      { field: 'state', was: 'wanted', will: 'pulled' },
    ]);
    const command = importCommand(preview, counter('n'));
    const after = command ? apply(job, command) : job;
    expect(Object.values(after.runs)).toMatchObject([
      { label: '1', bundle: 'south', tailMm: 1500, state: 'pulled' },
      { label: '2', bundle: 'south', tailMm: null, state: 'wanted' },
    ]);
  });

  it('with a fault are left out whole, and the others are taken', () => {
    const table = readCsvTable('label,state,tail_m\n1,done,2\n2,pulled,2\n');
    const preview = previewRuns(job, table, guessColumns(table.header, 'metric'));
    expect(preview.counts).toEqual({ new: 1, changed: 0, same: 0, 'not taken': 1 });
    const command = importCommand(preview, counter('n'));
    expect(command?.rows.map((row) => row.label)).toEqual(['2']);
  });
});
