import { refuse } from './refusal';

const RANGE = /\{(\d{1,6})\.\.(\d{1,6})\}/;
const MOST = 2000;

/**
 * Spell out a label pattern.
 * @param pattern text with at most one range in braces; leading zeros set the width
 * @returns the labels in order; the text itself when it holds no range
 * @throws Refusal when the range is empty, runs over 2,000 labels, or stands twice
 * @example expandLabels('GF-{01..03}') // ['GF-01', 'GF-02', 'GF-03']
 */
export function expandLabels(pattern: string): string[] {
  const match = RANGE.exec(pattern);
  if (!match) return [pattern];
  const [whole, from = '', to = ''] = match;
  const before = pattern.slice(0, match.index);
  const after = pattern.slice(match.index + whole.length);
  if (RANGE.test(after)) {
    refuse('pattern', `“${pattern}” holds two ranges: use one {from..to} at a time.`);
  }
  const first = Number(from);
  const last = Number(to);
  if (last < first) refuse('pattern', `“${whole}” runs backwards: write the lower number first.`);
  if (last - first >= MOST) refuse('pattern', `“${whole}” makes over ${MOST} labels: split it.`);
  const width = from.startsWith('0') ? Math.max(from.length, to.length) : 1;
  return Array.from(
    { length: last - first + 1 },
    (_, step) => `${before}${String(first + step).padStart(width, '0')}${after}`,
  );
}
