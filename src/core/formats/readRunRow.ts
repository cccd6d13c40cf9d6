import { type RunChanges, RunFields } from '../job/commands/runs';
import { CARRIES } from '../job/records/run';
import { parseLength } from '../units/length';
import type { ColumnMap, RunColumn } from './runColumns';

/** What is wrong with one cell: which field, what stands there, what was expected. */
export type RowFault = { field: RunColumn | 'row'; found: string; expected: string };

type Read = { ok: true; value: RunChanges } | { ok: false; expected: string };

const YES = new Set(['yes', 'y', 'true', '1', 'x', 'critical']);
const NO = new Set(['', 'no', 'n', 'false', '0', '-']);
const LONGEST_MM = 10_000_000;
const number = (text: string): number => (/^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN);
const fail = (expected: string): Read => ({ ok: false, expected });

function readText(
  field: 'label' | 'floor' | 'room' | 'outlet' | 'cable' | 'device' | 'network' | 'notes',
  cell: string,
): Read {
  // A line end inside a quoted cell becomes a space: records hold single lines.
  const text = cell.replace(/\s+/g, ' ').trim();
  const checked = RunFields.shape[field].safeParse(text);
  if (checked.success) return { ok: true, value: { [field]: text } };
  return fail(
    field === 'label' && text === ''
      ? 'a label'
      : (checked.error.issues[0]?.message.replace(/^expected /, '') ?? 'text'),
  );
}

function readLength(cell: string, plain: 'm' | 'ft'): Read {
  if (cell === '') return { ok: true, value: { lengthMm: null } };
  const mm = parseLength(cell, plain);
  const longest = plain === 'm' ? '10,000 m' : '32,808 ft';
  if (mm === null || mm <= 0 || mm > LONGEST_MM)
    return fail(`a length above 0 and up to ${longest}, such as ${plain === 'm' ? '22.5' : '74'}`);
  return { ok: true, value: { lengthMm: mm } };
}

function readSpeed(cell: string): Read {
  if (cell === '') return { ok: true, value: { speedMbps: null } };
  const giga = /^([\d.,]+)\s*g(?:b\/?s|bps|bit\/?s)?$/i.exec(cell)?.[1];
  const mbps = giga ? number(giga) * 1000 : number(cell.replace(/\s*m(?:b\/?s|bps|bit\/?s)$/i, ''));
  if (!Number.isInteger(mbps) || mbps < 1 || mbps > 800_000)
    return fail('a speed in Mb/s from 1 to 800,000, such as 1000');
  return { ok: true, value: { speedMbps: mbps } };
}

function readPower(cell: string): Read {
  const watts = cell === '' ? 0 : number(cell.replace(/\s*w$/i, ''));
  if (!Number.isFinite(watts) || watts > 1000) return fail('watts from 0 to 1,000, such as 12.5');
  return { ok: true, value: { poeW: watts } };
}

function readCell(field: RunColumn, raw: string): Read {
  const cell = raw.trim();
  const word = cell.toLowerCase();
  switch (field) {
    case 'length_m':
      return readLength(cell, 'm');
    case 'length_ft':
      return readLength(cell, 'ft');
    case 'speed_mbps':
      return readSpeed(cell);
    case 'poe_w':
      return readPower(cell);
    case 'critical':
      if (YES.has(word)) return { ok: true, value: { critical: true } };
      return NO.has(word) ? { ok: true, value: { critical: false } } : fail('yes or no');
    case 'carries': {
      const carries = word === '' ? 'ethernet' : word === 'fiber' ? 'fibre' : word === 'data' ? 'ethernet' : word;
      const known = CARRIES.find((one) => one === carries);
      return known ? { ok: true, value: { carries: known } } : fail(`one of ${CARRIES.join(', ')}`);
    }
    default:
      return readText(field, raw);
  }
}

/** Read one row by the column map. Cells that the row does not have are passed over, so that they change nothing. */
export function readRunRow(cells: string[], map: ColumnMap): { fields: RunChanges; faults: RowFault[] } {
  const fields: RunChanges = {};
  const faults: RowFault[] = [];
  map.forEach((field, column) => {
    const cell = cells[column];
    if (!field || cell === undefined) return;
    const read = readCell(field, cell);
    if (read.ok) Object.assign(fields, read.value);
    else faults.push({ field, found: cell.slice(0, 60), expected: read.expected });
  });
  const beyond = cells.slice(map.length).find((cell) => cell.trim() !== '');
  if (beyond !== undefined) {
    faults.push({
      field: 'row',
      found: beyond.slice(0, 60),
      expected: `${map.length} cells; is a separator or a quote in a cell?`,
    });
  }
  return { fields, faults };
}
