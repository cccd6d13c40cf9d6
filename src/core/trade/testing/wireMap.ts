import { fromMemory, published, type Source } from '../../base/standards/source';

export const PINS = [1, 2, 3, 4, 5, 6, 7, 8] as const;
/** Pairs of contacts, as both colour schemes have them (ANSI/TIA-568). */
export const CONTACT_PAIRS = [
  [1, 2],
  [3, 6],
  [4, 5],
  [7, 8],
] as const;
export const wireMapSource: Source = published('ANSI/TIA-568.2: wire map');
export const wireEffectSource: Source = published('IEEE 802.3: pairs that each speed needs');
export const splitSource: Source = fromMemory('split pairs: seen by crosstalk or impedance only');

/** What a tester of wires shows: for each pin of end 1 the pins of end 2 that answer; its joined pins; the screen. */
export type WireMap = {
  /** By pin of end 1, first entry pin 1: far pins that answer; none: open. */
  to: readonly (readonly number[])[];
  screen: 'through' | 'open' | 'none' | 'not-tested';
  /** Measured length of each contact pair, m, in the order of `CONTACT_PAIRS`; null: not measured. */
  pairM: readonly (number | null)[];
  /** Whether crosstalk or impedance was looked at: without it a split pair cannot be seen. */
  splitSeen: boolean | null;
};

export type WireFault = {
  kind:
    | 'open'
    | 'short'
    | 'reversed'
    | 'crossed'
    | 'half crossover'
    | 'full crossover'
    | 'rolled'
    | 'split'
    | 'screen open'
    | 'scrambled';
  pins: readonly number[];
  words: string;
};

export type WireReading = {
  faults: WireFault[];
  verdict: 'pass' | 'fail' | 'passes as far as it was looked';
  /** What it does to the link. */
  effects: { words: string; source: Source }[];
  /** What to do, least effort first. */
  todo: string[];
  /** Which end, where lengths tell. */
  place: string | null;
};

export const STRAIGHT: readonly (readonly number[])[] = PINS.map((pin) => [pin]);
const HALF = [3, 6, 1, 4, 5, 2, 7, 8];
const FULL = [3, 6, 1, 7, 8, 2, 4, 5];
const ROLLED = [8, 7, 6, 5, 4, 3, 2, 1];

const pinWords = (pins: readonly number[]): string =>
  pins.length === 1 ? `pin ${pins[0]}` : `pins ${pins.slice(0, -1).join(', ')} and ${pins.at(-1)}`;
const pairOf = (pin: number) => CONTACT_PAIRS.find((pair) => (pair as readonly number[]).includes(pin));

/**
 * A map that is written as testers show it: one far pin a near pin, `-` for open, `+` between pins that are joined, such as
 * `1 2 3 4 5 6 7 8`, `1 2 3 - - 6 7 8` or `1+2 1+2 3 4 5 6 7 8`.
 * @returns null where it does not say one thing for each of eight pins
 */
export function readWireMap(text: string): (readonly number[])[] | null {
  const parts = text.trim().split(/[\s,;]+/);
  const list = parts.length === 1 && /^[1-8-]{8}$/.test(parts[0] ?? '') ? [...(parts[0] ?? '')] : parts;
  if (list.length !== 8) return null;
  const rows = list.map((part) =>
    part === '-' || part === '0'
      ? []
      : /^[1-8](\+[1-8])*$/.test(part)
        ? [...new Set(part.split('+').map(Number))].sort()
        : null,
  );
  return rows.every((row) => row !== null) ? (rows as number[][]) : null;
}

/** What a wire map says, in words, with what it does to a link and what to do first. */
export function readingOf(map: WireMap): WireReading {
  const faults = faultsOf(map);
  const failed = faults.some(({ kind }) => kind !== 'screen open');
  return {
    faults,
    verdict: failed || faults.length > 0 ? 'fail' : map.splitSeen === null ? 'passes as far as it was looked' : 'pass',
    effects: effectsOf(faults),
    todo: todoOf(faults, placeOf(map)),
    place: placeOf(map),
  };
}

function faultsOf({ to, screen, splitSeen }: WireMap): WireFault[] {
  const faults: WireFault[] = [];
  const open = PINS.filter((pin) => (to[pin - 1] ?? []).length === 0);
  if (open.length === 8)
    faults.push({ kind: 'open', pins: open, words: 'Nothing comes through: cut, not ended, or another cable.' });
  else if (open.length > 0) {
    const whole = CONTACT_PAIRS.filter((pair) => pair.every((pin) => open.includes(pin)));
    const single = open.filter((pin) => !whole.some((pair) => (pair as readonly number[]).includes(pin)));
    for (const pair of whole)
      faults.push({ kind: 'open', pins: pair, words: `Pair ${pair.join('-')} is open: both its wires.` });
    if (single.length > 0) faults.push({ kind: 'open', pins: single, words: `Open: ${pinWords(single)}.` });
  }
  const joined = PINS.filter((pin) => (to[pin - 1] ?? []).length > 1);
  const groups = new Map<string, number[]>();
  for (const pin of joined) {
    const key = (to[pin - 1] ?? []).join('+');
    groups.set(key, [...(groups.get(key) ?? []), pin]);
  }
  for (const pins of groups.values()) {
    const within = pins.length === 2 && pairOf(pins[0] ?? 0) === pairOf(pins[1] ?? 0);
    faults.push({
      kind: 'short',
      pins,
      words: `Short ${within ? 'within a pair' : 'between pairs'}: ${pinWords(pins)} are joined.`,
    });
  }
  const through = PINS.filter((pin) => (to[pin - 1] ?? []).length === 1);
  const moved = through.filter((pin) => to[pin - 1]?.[0] !== pin);
  if (moved.length > 0) faults.push(...movedFaults(to, through, moved));
  if (splitSeen)
    faults.push({
      kind: 'split',
      pins: [3, 4, 5, 6],
      words: 'Split pairs: wires of two pairs are ended as one; straight through, but not twisted together.',
    });
  if (screen === 'open') faults.push({ kind: 'screen open', pins: [], words: 'The screen does not go through.' });
  return faults;
}

/** What came out at other pins than it went in: named where it is one of the known ones. */
function movedFaults(to: WireMap['to'], through: readonly number[], moved: readonly number[]): WireFault[] {
  const fits = (map: readonly number[]) => through.every((pin) => to[pin - 1]?.[0] === map[pin - 1]);
  // With wires missing a map fits several: only what moved says anything.
  const all = through.length === 8;
  if (all && fits(ROLLED))
    return [
      { kind: 'rolled', pins: moved, words: 'Rolled: pin 1 to 8, 2 to 7 and so on. A console cord, not a data link.' },
    ];
  if (all && fits(FULL))
    return [{ kind: 'full crossover', pins: moved, words: 'Full crossover: both couples of pairs are crossed.' }];
  if (fits(HALF) && moved.some((pin) => [1, 2, 3, 6].includes(pin)))
    return [
      {
        kind: 'half crossover',
        pins: moved,
        words: 'One end is T568A and the other T568B: pairs 1-2 and 3-6 have changed places.',
      },
    ];
  const faults: WireFault[] = [];
  const told = new Set<number>();
  for (const [a, b] of CONTACT_PAIRS)
    if (to[a - 1]?.length === 1 && to[b - 1]?.length === 1 && to[a - 1]?.[0] === b && to[b - 1]?.[0] === a) {
      faults.push({
        kind: 'reversed',
        pins: [a, b],
        words: `Pair ${a}-${b} is reversed: its two wires have changed places.`,
      });
      told.add(a).add(b);
    }
  for (const from of CONTACT_PAIRS)
    for (const onto of CONTACT_PAIRS) {
      if (from[0] >= onto[0] || from.some((pin) => told.has(pin))) continue;
      const goes = (x: readonly number[], y: readonly number[]) =>
        x.every((pin) => y.includes(to[pin - 1]?.[0] ?? 0)) && new Set(x.map((pin) => to[pin - 1]?.[0])).size === 2;
      if (goes(from, onto) && goes(onto, from)) {
        faults.push({
          kind: 'crossed',
          pins: [...from, ...onto],
          words: `Pairs ${from.join('-')} and ${onto.join('-')} have changed places.`,
        });
        for (const pin of [...from, ...onto]) told.add(pin);
      }
    }
  const rest = moved.filter((pin) => !told.has(pin));
  if (rest.length > 0)
    faults.push({
      kind: 'scrambled',
      pins: rest,
      words: `Out of order: ${rest.map((pin) => `${pin} comes out at ${to[pin - 1]?.[0]}`).join(', ')}.`,
    });
  return faults;
}

/** What faults do to a link (IEEE 802.3: 10 and 100 Mb/s use pairs 1-2 and 3-6, faster ones all four). */
function effectsOf(faults: readonly WireFault[]): WireReading['effects'] {
  const pairs = new Set(
    faults
      .filter(({ kind }) => kind === 'open' || kind === 'short' || kind === 'scrambled')
      .flatMap(({ pins }) => pins.map((pin) => pairOf(pin)?.join('-') ?? '')),
  );
  const effects: WireReading['effects'] = [];
  if (pairs.has('1-2') || pairs.has('3-6')) effects.push({ words: 'No link at any speed.', source: wireEffectSource });
  else if (pairs.size > 0)
    effects.push({
      words: 'Links at 100 Mb/s at most: 1 Gb/s and more need all four pairs. Power over pairs 4-5 and 7-8 may fail.',
      source: wireEffectSource,
    });
  for (const { kind } of faults) {
    if (kind === 'half crossover' || kind === 'full crossover' || kind === 'crossed')
      effects.push({
        words: 'Ports that cross by themselves link all the same; others do not.',
        source: wireEffectSource,
      });
    if (kind === 'reversed')
      effects.push({
        words: 'Most ports put a reversed pair right by themselves; it is still to be mended.',
        source: fromMemory('IEEE 802.3: polarity correction'),
      });
    if (kind === 'split')
      effects.push({ words: 'Short links may come up; errors, or a lower speed.', source: splitSource });
    if (kind === 'rolled') effects.push({ words: 'No data link.', source: wireEffectSource });
  }
  return effects;
}

/** Nearer than this to an end the end is ended anew first, m. Common practice, no source. */
const NEAR_END_M = 2;
/** Pairs of one cable differ by so much of their length, by their twist. Common practice, no source. */
const TWIST_SHARE = 0.05;

/** Which end or place the measured lengths point at; null where they tell nothing. */
function placeOf({ to, pairM }: WireMap): string | null {
  const known = pairM.flatMap((metres, at) => (metres === null ? [] : [{ metres, pair: CONTACT_PAIRS[at] }]));
  if (known.length < 2) return null;
  const longest = Math.max(...known.map(({ metres }) => metres));
  const short = known.filter(({ metres }) => metres < longest * (1 - 2 * TWIST_SHARE));
  if (short.length === 0) {
    const nothing = to.every((row) => row.length === 0);
    return nothing ? `All pairs end after about ${longest.toFixed(1)} m: cut there, or not ended.` : null;
  }
  return short
    .map(({ metres, pair }) => {
      const where =
        metres <= NEAR_END_M
          ? 'at this end: end it anew here first'
          : longest - metres <= NEAR_END_M
            ? 'at the far end: end it anew there first'
            : 'in between: the cable itself';
      return `Pair ${pair?.join('-')} ends after ${metres.toFixed(1)} m of ${longest.toFixed(1)} m, ${where}.`;
    })
    .join(' ');
}

/** What to do, in the order of effort. Common practice, no source. */
function todoOf(faults: readonly WireFault[], place: string | null): string[] {
  if (faults.length === 0) return [];
  const kinds = new Set(faults.map(({ kind }) => kind));
  const pins = [...new Set(faults.flatMap((fault) => fault.pins))].sort((a, b) => a - b);
  const todo = ['Test again with a cord that is known to be good, at both ends.'];
  if (kinds.has('half crossover'))
    todo.push('Look at both jacks: one follows T568A, the other T568B. End the one that is not the job’s scheme anew.');
  if (kinds.has('reversed') || kinds.has('crossed') || kinds.has('scrambled') || kinds.has('full crossover'))
    todo.push(
      `Look at the colours on ${pinWords(pins)} at both ends; the end that does not follow the job’s scheme is ended anew.`,
    );
  if (kinds.has('open') || kinds.has('short')) {
    todo.push(
      place ??
        `Press ${pinWords(pins)} down again at the panel, then at the outlet: one wire not seated is the usual cause.`,
    );
    todo.push('End the jack at that end anew; then the other end.');
    todo.push('A cable that stays so is damaged: a spare run, or a new one.');
  }
  if (kinds.has('split')) todo.push('End both ends anew by colour: blue on 4-5, and the pair of 3-6 kept together.');
  if (kinds.has('rolled')) todo.push('Take another cord: this one is for consoles.');
  if (kinds.has('screen open')) todo.push('Look at the drain wire and the foil at both jacks.');
  return todo;
}
