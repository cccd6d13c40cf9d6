import { RUN_FIELDS } from '../../job/records/run';

/** A heading without case, accents, spaces and signs. */
const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/[^a-z0-9]/g, '');

const COLUMN_OF = new Map<string, string>(
  Object.values(RUN_FIELDS).flatMap(({ column, headings }) =>
    headings.split(',').map((word) => [plain(word), column] as const),
  ),
);

/** A unit at the end of a heading, in brackets or behind the word. */
const UNIT =
  /[\s([{_,/-]+(m|mtr|meters?|metres?|metern?|metros?|ft|feet|foot|fuss|pieds?|pies?|voet|w|watts?|mb\/?s|mbps|mbit\/?s)[\s.)\]}]*$/i;
const IN_FEET = /^(ft|feet|foot|fuss|pieds?|pies?|voet)/i;

/**
 * What a heading says.
 * @returns null when no list has such a word; `unit` only where the heading tells it
 */
export function readHeading(heading: string): { column: string; unit: 'm' | 'ft' | null } | null {
  const text = heading.trim();
  const tail = UNIT.exec(text)?.[1] ?? null;
  const unit = tail === null ? null : IN_FEET.test(tail) ? 'ft' : /^m(?!b)/i.test(tail) ? 'm' : null;
  const whole = COLUMN_OF.get(plain(text));
  if (whole) return { column: whole, unit };
  const bare = tail === null ? undefined : COLUMN_OF.get(plain(text.replace(UNIT, '')));
  return bare ? { column: bare, unit } : null;
}
