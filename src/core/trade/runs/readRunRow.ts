import { plainCell } from '../../base/text/csvCell';
import { parseLength } from '../../base/units/length';
import { type RunChanges, RunFields } from '../../job/commands/runs';
import { CARRIES, ENTRY_SIDES, ORIGINS, RUN_STATES, SCOPES } from '../../job/records/run';
import { carriesOfCable } from './carriesOfCable';
import { CARRIES_WORDS, ORIGIN_WORDS, SCOPE_WORDS, STATE_WORDS } from './cellWords';
import { type ColumnMap, LENGTH_COLUMNS, type RunColumn } from './runColumns';

/** What is wrong with one cell: which field, what stands there, what was expected. */
export type RowFault = { field: RunColumn | 'row'; found: string; expected: string };

type Read = { ok: true; value: RunChanges } | { ok: false; expected: string };

const YES = new Set([
  'yes',
  'y',
  'true',
  '1',
  'x',
  '✓',
  'critical',
  'ja',
  'j',
  'oui',
  'o',
  'si',
  'sí',
  's',
  'wahr',
  'vrai',
]);
const NO = new Set(['', 'no', 'n', 'false', '0', '-', '–', 'nein', 'non', 'nee', 'falsch', 'faux']);
/** Figures are often rough in a list: the sign for it is not part of the figure. */
const ROUGHLY = /^(?:~|≈|±|ca\.?|c\.|circa|approx\.?|about|etwa|env\.?|aprox\.?)\s*/i;
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
  const mm = parseLength(cell.replace(ROUGHLY, ''), unit);
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
  // 100M, 2.5 Gbit, 1 GbE, 10GBASE-T, 1000 Mb/s, 1000.
  const [, digits = '', unit = 'm'] =
    /^([\d.,]+)\s*([mg])?(?:be?|bit|bits|bps|bit\/s|b\/s|base-?[a-z]+)?$/i.exec(cell.replace(ROUGHLY, '')) ?? [];
  const mbps = number(digits) * (unit.toLowerCase() === 'g' ? 1000 : 1);
  if (!Number.isInteger(mbps) || mbps < 1 || mbps > 800_000)
    return fail('a speed in Mb/s from 1 to 800,000, such as 1000');
  return { ok: true, value: { speedMbps: mbps } };
}

/** Types by name: the class that a device of it may have at most (IEEE 802.3-2022). */
const POE_TYPES: Record<string, number> = {
  poe: 3,
  af: 3,
  '802.3af': 3,
  'poe+': 4,
  at: 4,
  '802.3at': 4,
  'poe++': 6,
  bt: 8,
  '802.3bt': 8,
};

function readPower(cell: string): Read {
  const word = cell.toLowerCase();
  if (word.trim() === '') return { ok: true, value: { poeW: null } };
  const byType = POE_TYPES[word.replace(/\s+/g, '')];
  if (byType !== undefined) return { ok: true, value: { poeClass: byType } };
  // That it is powered, not by how much: a device of no known class.
  if (word !== '1' && YES.has(word)) return { ok: true, value: { poeClass: 0 } };
  const watts = NO.has(word) ? 0 : number(cell.replace(ROUGHLY, '').replace(/\s*w(?:atts?)?$/i, ''));
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
    case 'carries':
      return readWord('carries', CARRIES_WORDS[word] ?? word, CARRIES, 'ethernet');
    case 'entry':
      return readWord('entry', word, ENTRY_SIDES, null);
    case 'state':
      return readWord('state', STATE_WORDS[word] ?? word, RUN_STATES, 'wanted');
    case 'origin':
      // `Existing: yes`.
      if (YES.has(word)) return { ok: true, value: { origin: 'found' } };
      return readWord('origin', NO.has(word) ? 'new' : (ORIGIN_WORDS[word] ?? word), ORIGINS, 'new');
    case 'scope':
      return readWord('scope', SCOPE_WORDS[word] ?? word, SCOPES, 'now');
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
  // Coax and fibre are never taken for data because nobody said so.
  const told = map.some((field, column) => field === 'carries' && (cells[column] ?? '').trim() !== '');
  const carries = !told && fields.cable ? carriesOfCable(fields.cable) : null;
  if (carries) fields.carries = carries;
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
