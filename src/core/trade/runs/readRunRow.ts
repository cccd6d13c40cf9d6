import { plainCell } from '../../base/text/csvCell';
import { parseLength } from '../../base/units/length';
import { RunChanges } from '../../job/commands/runs';
import { CARRIES, ORIGINS, RUN_STATES, Run, SCOPES } from '../../job/records/run';
import { carriesOfCable } from './carriesOfCable';
import { CARRIES_WORDS, ORIGIN_WORDS, SCOPE_WORDS, STATE_WORDS } from './cellWords';
import { type ColumnMap, choicesOf, columnInfo, holdsFigure, holdsYesNo, lengthIn, type RunColumn } from './runColumns';

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

function readText(field: keyof RunChanges, cell: string): Read {
  // A line end inside a quoted cell becomes a space: records hold single lines.
  const text = plainCell(cell).replace(/\s+/g, ' ').trim();
  const checked = RunChanges.shape[field].safeParse(text);
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

function readLength(cell: string, { field, unit }: NonNullable<ReturnType<typeof lengthIn>>): Read {
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

function readYesNo(field: keyof RunChanges, word: string): Read {
  if (YES.has(word)) return { ok: true, value: { [field]: true } };
  return NO.has(word) ? { ok: true, value: { [field]: false } } : fail('yes or no');
}

function readFigure(field: keyof RunChanges, cell: string): Read {
  const value = cell === '' ? null : number(cell.replace(ROUGHLY, ''));
  const checked = RunChanges.shape[field].safeParse(value);
  if (checked.success) return { ok: true, value: { [field]: value } };
  return fail(checked.error.issues[0]?.message.replace(/^expected /, '') ?? 'a figure');
}

/** What is read in a way of its own: lists say it in more words than ours. */
const OWN_WAYS: Partial<Record<RunColumn, (cell: string, word: string) => Read>> = {
  speed_mbps: readSpeed,
  poe_w: readPower,
  poe_class: readPoeClass,
  carries: (_, word) => readWord('carries', CARRIES_WORDS[word] ?? word, CARRIES, 'ethernet'),
  state: (_, word) => readWord('state', STATE_WORDS[word] ?? word, RUN_STATES, 'wanted'),
  // `Existing: yes`.
  origin: (_, word) =>
    readWord('origin', YES.has(word) ? 'found' : NO.has(word) ? 'new' : (ORIGIN_WORDS[word] ?? word), ORIGINS, 'new'),
  scope: (_, word) => readWord('scope', SCOPE_WORDS[word] ?? word, SCOPES, 'now'),
};

/** What a run has where nothing is said. */
const BLANK = Run.parse({ id: 'blank', label: '-' });

/** By the schema of its field, unless lists say it in words of their own. */
function readCell(column: RunColumn, raw: string): Read {
  const cell = raw.trim();
  const word = cell.toLowerCase();
  const length = lengthIn(column);
  if (length) return readLength(cell, length);
  const own = OWN_WAYS[column];
  if (own) return own(cell, word);
  const { field } = columnInfo(column);
  if (field === 'networkId') return readText('network', raw);
  if (holdsYesNo(column)) return readYesNo(field, word);
  if (holdsFigure(column)) return readFigure(field, cell);
  const choices = choicesOf(column);
  if (choices) return readWord(field, word, choices, BLANK[field] as string | null);
  return readText(field, raw);
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
