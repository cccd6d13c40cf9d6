import { day } from '../../job/records/fields';
import type { SCREENS, TESTED_FROM } from '../../job/records/result';
import { TESTER_TELLS } from '../../job/records/tester';

/** What a column of a tester's file can hold. */
export const RESULT_COLUMNS = [
  'label',
  'passed',
  'when',
  'date',
  'time',
  'by',
  'tester',
  'looked_at',
  'end',
  'wire_map',
  'pair_12_m',
  'pair_36_m',
  'pair_45_m',
  'pair_78_m',
  'skew_ns',
  'delay_ns',
  'loop_ohm',
  'screen',
  'split_pairs',
  'speed_mbps',
  'volts',
  'watts',
  'loss_db',
  'length_m',
  'wavelength_nm',
  'mated_pairs',
  'splices',
  'limit',
  'margin_db',
  'note',
  'measure',
  'pair',
  'frequency_mhz',
  'value_db',
] as const;
export type ResultColumn = (typeof RESULT_COLUMNS)[number];
export type ResultColumnMap = (ResultColumn | null)[];

/** Words that headings use, most telling first. */
const WORDS: readonly (readonly [RegExp, ResultColumn])[] = [
  [/^(pair)? ?1[-/ ,]?2\b.*(m|length)?$/, 'pair_12_m'],
  [/^(pair)? ?3[-/ ,]?6\b.*(m|length)?$/, 'pair_36_m'],
  [/^(pair)? ?4[-/ ,]?5\b.*(m|length)?$/, 'pair_45_m'],
  [/^(pair)? ?7[-/ ,]?8\b.*(m|length)?$/, 'pair_78_m'],
  [/wire ?map|pin ?map|belegung/, 'wire_map'],
  [/skew/, 'skew_ns'],
  [/delay|laufzeit/, 'delay_ns'],
  [/loop|resistance|\bohm/, 'loop_ohm'],
  [/split/, 'split_pairs'],
  [/screen|shield|schirm/, 'screen'],
  [/wavelength|\bnm\b/, 'wavelength_nm'],
  [/mated|connectors?$|connections/, 'mated_pairs'],
  [/splice/, 'splices'],
  [/loss|attenuation|d(ä|ae)mpfung/, 'loss_db'],
  [/margin|headroom|reserve/, 'margin_db'],
  [/limit|standard|norm\b/, 'limit'],
  [/freq|mhz/, 'frequency_mhz'],
  [/value|level|\bdb\b/, 'value_db'],
  [/^(parameter|measure|messgr)/, 'measure'],
  [/^pair|^paar/, 'pair'],
  [/date ?(and|&|\/)? ?time|timestamp|tested at|^when|zeitpunkt/, 'when'],
  [/date|datum|\bday\b|fecha/, 'date'],
  [/time|zeit|heure|hora/, 'time'],
  [/result|pass|status|verdict|ergebnis|resultat|résultat/, 'passed'],
  [/operator|tested by|^by$|person|pr(ü|ue)fer|op(é|e)rateur/, 'by'],
  [/looked|kind of test|test type/, 'looked_at'],
  [/tester|instrument|serial|device|ger(ä|ae)t|appareil/, 'tester'],
  [/speed|link rate|mbps|mb\/s|geschwindigkeit/, 'speed_mbps'],
  [/volt/, 'volts'],
  [/watt|power/, 'watts'],
  [/^end$|side|tested from/, 'end'],
  [/note|comment|remark|bemerkung|remarque/, 'note'],
  [/label|cable ?id|link ?id|^id$|^name$|^run$|kabel|circuit id|identif/, 'label'],
];

/** Which column a heading means; null: none that is known. */
export function resultColumnFor(heading: string): ResultColumn | null {
  const plain = heading
    .toLowerCase()
    .replace(/[_\s]+/g, ' ')
    .trim();
  const own = RESULT_COLUMNS.find((column) => column.replace(/_/g, ' ') === plain);
  return own ?? WORDS.find(([word]) => word.test(plain))?.[1] ?? null;
}

/** The columns of a header, each meaning taken once. */
export function guessResultColumns(header: readonly string[]): ResultColumnMap {
  const taken = new Set<ResultColumn>();
  return header.map((heading) => {
    const column = resultColumnFor(heading);
    if (column === null || taken.has(column)) return null;
    taken.add(column);
    return column;
  });
}

/** A cell that was read, or what was expected in its place. */
export type Cell<T> = { value: T } | { expected: string };

const GOOD = new Set([
  'pass',
  'passed',
  'pass*',
  'ok',
  'yes',
  'y',
  'true',
  '1',
  '✓',
  '✔',
  'good',
  'bestanden',
  'ja',
  'réussi',
  'bon',
]);
const BAD = new Set([
  'fail',
  'failed',
  'fail*',
  'nok',
  'no',
  'n',
  'false',
  '0',
  '✗',
  '✘',
  'x',
  'bad',
  'nicht bestanden',
  'nein',
  'échec',
]);

export function readVerdict(cell: string): Cell<boolean> {
  const plain = cell.trim().toLowerCase();
  return GOOD.has(plain) ? { value: true } : BAD.has(plain) ? { value: false } : { expected: 'pass or fail' };
}

/** A figure with a point or a comma, its unit left out; empty: null. */
export function readFigure(cell: string): Cell<number | null> {
  const plain = cell.trim().replace(/\s*(m|ns|mb\/s|mbps|v|w|db|mhz)$/i, '');
  if (plain === '' || plain === '-' || plain === '–') return { value: null };
  if (/^\d+(\.\d+)?\s*(g|gb\/s|gbps|gbit\/s)$/i.test(cell.trim())) return { value: Number.parseFloat(cell) * 1000 };
  return /^[-+]?\d+([.,]\d+)?$/.test(plain) ? { value: Number(plain.replace(',', '.')) } : { expected: 'a figure' };
}

const two = (number: string | number): string => String(number).padStart(2, '0');
const isDay = (year: string, month: string, of: string): boolean =>
  day.safeParse(`${year}-${two(month)}-${two(of)}`).success;

/** A day as testers write it. Two numbers that could both be the month are not guessed. */
export function readDay(cell: string): Cell<string> {
  const plain = cell.trim();
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(plain);
  const dots = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(plain);
  const slashes = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/.exec(plain);
  let parts: [string, string, string] | null = null;
  if (iso) parts = [iso[1] ?? '', iso[2] ?? '', iso[3] ?? ''];
  else if (dots) parts = [dots[3] ?? '', dots[2] ?? '', dots[1] ?? ''];
  else if (slashes) {
    const [, a = '', b = '', year = ''] = slashes;
    if (Number(a) <= 12 && Number(b) <= 12 && a !== b)
      return { expected: 'a date of which day and month can be told, such as 2026-11-27' };
    parts = Number(a) > 12 ? [year, b, a] : [year, a, b];
  }
  return parts && isDay(...parts)
    ? { value: `${parts[0]}-${two(parts[1])}-${two(parts[2])}` }
    : { expected: 'a date such as 2026-11-27' };
}

/** Whether pairs are split; null: the file does not say. */
export function readSplit(cell: string): Cell<boolean | null> {
  const plain = cell.trim().toLowerCase();
  if (plain === '' || /not tested|n\/?a|unknown/.test(plain)) return { value: null };
  if (/^(no|none|ok|pass|false|0)$/.test(plain)) return { value: false };
  return /^(yes|split|fail|true|1)$/.test(plain)
    ? { value: true }
    : { expected: 'yes, no, or nothing where it was not tested' };
}

export function readScreen(cell: string): Cell<(typeof SCREENS)[number]> {
  const plain = cell.trim().toLowerCase();
  if (plain === '' || /not tested|n\/?a|unknown/.test(plain)) return { value: 'not-tested' };
  if (/^(through|ok|pass|yes|closed|continuous)$/.test(plain)) return { value: 'through' };
  if (/^(open|fail|broken)$/.test(plain)) return { value: 'open' };
  return /^(none|no)$/.test(plain) ? { value: 'none' } : { expected: 'through, open, none or not tested' };
}

/** A time of the day, as 18:30:05 or 6:30 PM. Seconds are kept. */
export function readTime(cell: string): Cell<string> {
  const found = /^(\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s*([ap])?\.?m?\.?$/i.exec(cell.trim());
  if (!found) return { expected: 'a time such as 18:30' };
  const [, hours = '', minutes = '', seconds, half] = found;
  const hour = half ? (Number(hours) % 12) + (half.toLowerCase() === 'p' ? 12 : 0) : Number(hours);
  return hour < 24 && Number(minutes) < 60 && Number(seconds ?? 0) < 60
    ? { value: `${two(hour)}:${minutes}${seconds === undefined ? '' : `:${seconds}`}` }
    : { expected: 'a time such as 18:30' };
}

/** Day and time in one cell. */
export function readWhen(cell: string): Cell<string> {
  const plain = cell.trim();
  if (plain === '') return { value: '' };
  const [first = '', ...rest] = plain.split(/[T\s,]+/);
  const date = readDay(first);
  if ('expected' in date) return date;
  const clock = rest.join(' ').replace(/(Z|[+-]\d{2}:?\d{2})$/, '');
  const time = clock === '' ? { value: '00:00' } : readTime(clock);
  return 'expected' in time ? time : { value: `${date.value}T${time.value}` };
}

export function readTells(cell: string): Cell<(typeof TESTER_TELLS)[number] | null> {
  const plain = cell.trim().toLowerCase().replace(/\s+/g, '-');
  if (plain === '') return { value: null };
  const found = TESTER_TELLS.find((one) => one === plain);
  return found ? { value: found } : { expected: `one of ${TESTER_TELLS.join(', ')}` };
}

export function readEnd(cell: string): Cell<(typeof TESTED_FROM)[number]> {
  const plain = cell.trim().toLowerCase();
  if (/^(panel|rack|cabinet|main|near|local)?$/.test(plain)) return { value: plain === '' ? '' : 'panel' };
  return /^(outlet|room|jack|far|remote|wall)$/.test(plain) ? { value: 'outlet' } : { expected: 'panel or outlet' };
}
