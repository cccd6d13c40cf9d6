import { plainCell } from '../../base/text/csvCell';
import { parseLength } from '../../base/units/length';
import { RunChanges } from '../../job/commands/runs';
import { CARRIES, ORIGINS, RUN_FIELDS, RUN_STATES, Run, SCOPES } from '../../job/records/run';
import { carriesOfCable } from './carriesOfCable';
import { CARRIES_WORDS, ORIGIN_WORDS, SCOPE_WORDS, STATE_WORDS } from './cellWords';
import { type ColumnMap, choicesOf, columnInfo, holdsYesNo, lengthIn, type RunColumn, rangeOf } from './runColumns';

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

type Range = NonNullable<ReturnType<typeof rangeOf>>;
const thousands = (value: number): string => value.toLocaleString('en');

function readLength(cell: string, { field, unit }: NonNullable<ReturnType<typeof lengthIn>>, range: Range): Read {
  if (cell === '') return { ok: true, value: { [field]: null } };
  const { least, most } = range;
  const mm = parseLength(cell.replace(ROUGHLY, ''), unit);
  if (mm === null || mm < least || mm > most) {
    const [longest, example] = [most, RUN_FIELDS[field].exampleMm].map((mm) =>
      thousands(unit === 'm' ? mm / 1000 : Math.floor(mm / 304.8)),
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

function readYesNo(field: keyof RunChanges, word: string): Read {
  if (YES.has(word)) return { ok: true, value: { [field]: true } };
  return NO.has(word) ? { ok: true, value: { [field]: false } } : fail('yes or no');
}

function readNumber(field: keyof RunChanges, cell: string, { least, most, isWhole }: Range): Read {
  if (cell === '') return { ok: true, value: { [field]: null } };
  const value = number(cell.replace(ROUGHLY, ''));
  if (value >= least && value <= most && (!isWhole || Number.isInteger(value)))
    return { ok: true, value: { [field]: value } };
  return fail(`${isWhole ? 'a whole number' : 'a number'} from ${thousands(least)} to ${thousands(most)}, or nothing`);
}

/** Columns that cable lists fill with words and units of their own. */
const OWN_WAYS: Partial<Record<RunColumn, (cell: string, word: string) => Read>> = {
  speed_mbps: readSpeed,
  poe_w: readPower,
  carries: (_, word) => readWord('carries', CARRIES_WORDS[word] ?? word, CARRIES, 'ethernet'),
  state: (_, word) => readWord('state', STATE_WORDS[word] ?? word, RUN_STATES, 'wanted'),
  // `Existing: yes`.
  origin: (_, word) =>
    readWord('origin', YES.has(word) ? 'found' : NO.has(word) ? 'new' : (ORIGIN_WORDS[word] ?? word), ORIGINS, 'new'),
  scope: (_, word) => readWord('scope', SCOPE_WORDS[word] ?? word, SCOPES, 'now'),
};

/** The defaults of a run. */
const BLANK = Run.parse({ id: 'blank', label: '-' });

/** Read a cell by the schema of its field, except for the columns above. */
function readCell(column: RunColumn, raw: string): Read {
  const cell = raw.trim();
  const word = cell.toLowerCase();
  const length = lengthIn(column);
  const range = rangeOf(column);
  if (length && range) return readLength(cell, length, range);
  const own = OWN_WAYS[column];
  if (own) return own(cell, word);
  const { field } = columnInfo(column);
  if (field === 'networkId') return readText('network', raw);
  if (holdsYesNo(column)) return readYesNo(field, word);
  if (range) return readNumber(field, column === 'poe_class' ? cell.replace(/^class\s*/i, '') : cell, range);
  const choices = choicesOf(column);
  // A column with choices holds one of them, or null.
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
