import { OUTLET_KINDS, type OutletKind, outlets } from '../../base/standards/outlets';
import { refuse } from '../../base/text/refusal';
import { OutletGroup } from '../records/gear';

const plain = (word: string): string => word.toLowerCase().replace(/[^a-z0-9]/g, '');
/** Kinds by how they are written: `C13`, `BS 1363`, `CEE 7`, `NEMA 5-15`. */
const KINDS = new Map(OUTLET_KINDS.map((kind) => [plain(outlets[kind].name), kind] as const));

const COUNT = /^(\d+)\s*(?:[x×*]\s*)?(.*)$/i;
const PITCH = /\bpitch\s+(\d+(?:[.,]\d+)?)(?:\s*mm)?/i;
const AFTER = /\bafter\s+(\d+(?:[.,]\d+)?)\s*s?\b/i;
const APART = /\bapart\s+(\d+(?:[.,]\d+)?)\s*s?\b/i;
const number = (text: string) => Number(text.replace(',', '.'));

/**
 * Groups of mains outlets from a line such as `6×C13 battery; 2×C13 surge switched after 5 s apart 1 s`: count and kind (or
 * none: the household kind, on a battery unit not known), then in any order `battery`, `surge` or `none`, `switched`,
 * `measured`, `pitch 31 mm`, seconds `after` the mains return and `apart`.
 * @throws Refusal naming the group and what was expected
 */
export function parseOutletPattern(text: string): OutletGroup[] {
  return text
    .split(/[;\n]/)
    .map((part) => part.trim())
    .flatMap((part, at) => (part === '' ? [] : [parseGroup(part, at + 1)]));
}

function parseGroup(part: string, at: number): OutletGroup {
  const wrong = (words: string) => refuse('outlets', `Outlet group ${at}, “${part}”: ${words}.`, `group ${at}`);
  const match = COUNT.exec(part);
  if (!match) return wrong('expected a count, such as 8×C13');
  const [, count = '', all = ''] = match;
  let rest = all;
  const take = (pattern: RegExp): number | null => {
    const found = pattern.exec(rest);
    if (!found) return null;
    rest = rest.replace(found[0], ' ');
    return number(found[1] ?? '');
  };
  const [pitchMm, onAfterS, apartS] = [take(PITCH), take(AFTER), take(APART)];
  const has = (word: string): boolean => {
    const before = rest;
    rest = rest.replace(new RegExp(`\\b${word}\\b`, 'i'), ' ');
    return rest !== before;
  };
  const [switched, measured] = [has('switched'), has('measured')];
  const backing = (['battery', 'surge', 'none'] as const).find(has) ?? null;
  const word = plain(rest.replace(/\boutlets?\b/i, ' '));
  const kind: OutletKind | null | undefined = word === '' ? null : KINDS.get(word);
  if (kind === undefined)
    return wrong(
      `expected ${OUTLET_KINDS.map((one) => outlets[one].name).join(', ')} or nothing, found “${rest.trim()}”`,
    );
  const checked = OutletGroup.safeParse({
    count: Number(count),
    kind,
    pitchMm,
    backing,
    switched,
    measured,
    onAfterS: onAfterS ?? 0,
    apartS: apartS ?? 0,
  });
  return checked.success ? checked.data : wrong(checked.error.issues[0]?.message ?? 'not as expected');
}

/** The same as a line that can be read again. */
export const formatOutletPattern = (groups: readonly OutletGroup[]): string =>
  groups
    .map(({ count, kind, pitchMm, backing, switched, measured, onAfterS, apartS }) =>
      [
        kind === null ? `${count}` : `${count}×${outlets[kind].name}`,
        backing ?? '',
        switched ? 'switched' : '',
        measured ? 'measured' : '',
        pitchMm === null ? '' : `pitch ${pitchMm} mm`,
        onAfterS > 0 ? `after ${onAfterS} s` : '',
        apartS > 0 ? `apart ${apartS} s` : '',
      ]
        .filter(Boolean)
        .join(' '),
    )
    .join('; ');
