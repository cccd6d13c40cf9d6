import { type RunChanges, RunFields } from '../commands/runs';
import { CARRIES, ENTRY_SIDES, ORIGINS, RUN_STATES, SCOPES } from '../records/run';
import { plainCell } from '../text/csvCell';
import { parseLength } from '../units/length';
import { type ColumnMap, LENGTH_COLUMNS, type RunColumn } from './runColumns';

/** What is wrong with one cell: which field, what stands there, what was expected. */
export type RowFault = { field: RunColumn | 'row'; found: string; expected: string };

type Read = { ok: true; value: RunChanges } | { ok: false; expected: string };

const YES = new Set(['yes', 'y', 'true', '1', 'x', 'critical']);
const NO = new Set(['', 'no', 'n', 'false', '0', '-']);
const number = (text: string): number => (/^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN);
const fail = (expected: string): Read => ({ ok: false, expected });

function readText(
  field:
    | 'label'
    | 'floor'
    | 'room'
    | 'outlet'
    | 'cable'
    | 'device'
    | 'network'
    | 'jacket'
    | 'bundle'
    | 'askedBy'
    | 'notes',
  cell: string,
): Read {
  // A line end inside a quoted cell becomes a space: records hold single lines.
  const text = plainCell(cell).replace(/\s+/g, ' ').trim();
  const checked = RunFields.shape[field].safeParse(text);
  if (checked.success) return { ok: true, value: { [field]: text } };
  return fail(
    field === 'label' && text === ''
      ? 'a label'
      : (checked.error.issues[0]?.message.replace(/^expected /, '') ?? 'text'),
  );
}

/** Least and most of each length, and one for example, in metres. */
const LENGTH_LIMITS = {
  lengthMm: { least: 1, most: 10_000_000, such: 22_500 },
  tailMm: { least: 0, most: 100_000, such: 1500 },
  outletHeightMm: { least: 0, most: 20_000, such: 300 },
};

function readLength(cell: string, { field, unit }: NonNullable<(typeof LENGTH_COLUMNS)[RunColumn]>): Read {
  if (cell === '') return { ok: true, value: { [field]: null } };
  const { least, most, such } = LENGTH_LIMITS[field];
  const mm = parseLength(cell, unit);
  if (mm === null || mm < least || mm > most) {
    const [longest, example] = [most, such].map((one) =>
      unit === 'm' ? (one / 1000).toLocaleString('en') : Math.floor(one / 304.8).toLocaleString('en'),
    );
    return fail(`a length ${least > 0 ? 'above' : 'from'} 0 and up to ${longest} ${unit}, such as ${example}`);
  }
  return { ok: true, value: { [field]: mm } };
}

/** One of a few words, or the first of them for an empty cell. */
function readWord<T extends string>(field: keyof RunChanges, word: string, words: readonly T[], empty: T | null): Read {
  const known = word === '' ? empty : words.find((one) => one === word);
  return known === undefined ? fail(`one of ${words.join(', ')}`) : { ok: true, value: { [field]: known } };
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

function readPoeClass(cell: string): Read {
  if (cell === '') return { ok: true, value: { poeClass: null } };
  const digit = /^(?:class\s*)?([0-8])$/i.exec(cell)?.[1];
  return digit ? { ok: true, value: { poeClass: Number(digit) } } : fail('a power class from 0 to 8, or nothing');
}

function readCell(field: RunColumn, raw: string): Read {
  const cell = raw.trim();
  const word = cell.toLowerCase();
  const length = LENGTH_COLUMNS[field];
  if (length) return readLength(cell, length);
  switch (field) {
    case 'speed_mbps':
      return readSpeed(cell);
    case 'poe_w':
      return readPower(cell);
    case 'poe_class':
      return readPoeClass(cell);
    case 'critical':
      if (YES.has(word)) return { ok: true, value: { critical: true } };
      return NO.has(word) ? { ok: true, value: { critical: false } } : fail('yes or no');
    case 'carries': {
      const carries = word === 'fiber' ? 'fibre' : word === 'data' ? 'ethernet' : word;
      return readWord('carries', carries, CARRIES, 'ethernet');
    }
    case 'entry':
      return readWord('entry', word, ENTRY_SIDES, null);
    case 'state':
      return readWord('state', word, RUN_STATES, 'wanted');
    case 'origin':
      return readWord('origin', word, ORIGINS, 'new');
    case 'scope':
      return readWord('scope', word, SCOPES, 'now');
    case 'asked_by':
      return readText('askedBy', raw);
    case 'label':
    case 'floor':
    case 'room':
    case 'outlet':
    case 'cable':
    case 'device':
    case 'network':
    case 'jacket':
    case 'bundle':
    case 'notes':
      return readText(field, raw);
    default:
      return fail('a column that is known');
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
