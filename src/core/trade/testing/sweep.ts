import {
  acrfLimitDb,
  type ChannelClass,
  insertionLimitDb,
  type LimitSet,
  type Measured,
  nextLimitDb,
  returnLimitDb,
} from './certification';

/** What a certification was held against, as far as its name tells. */
export type NamedLimit = { set: LimitSet; class: ChannelClass; of: Measured };

/**
 * The limit that a tester names, such as `Cat 6 permanent link` or `Class EA channel`. What ends in a plug at its far end (MPTL) is
 * tested as a permanent link (ANSI/TIA-568.2-D). Null where it cannot be told.
 */
export function readLimitName(name: string): NamedLimit | null {
  const plain = name.toLowerCase();
  const of: Measured | null = /channel/.test(plain) ? 'channel' : /link|mptl|\bpl\b/.test(plain) ? 'link' : null;
  const found = /(?:cat(?:egory)?\.?\s*|class\s+)(5e|6a|6|ea|e|d)\b/.exec(plain)?.[1];
  if (of === null || found === undefined) return null;
  const five = found === '5e' || found === 'd';
  return { of, set: five ? '5e' : '6', class: five ? 'D' : found === '6' || found === 'e' ? 'E' : 'EA' };
}

/** A limit at a frequency. `failsOnly`: the true limit is stricter and not held here, so that a pass of this one says nothing. */
export type SweepLimit = { db: number; least: boolean; failsOnly?: boolean };
type Value = { measure: string; mhz: number; db: number };

/** What a measure must come to at a frequency, dB; null where this program holds no limit for it. */
export function sweepLimit({ set, class: channel, of }: NamedLimit, measure: string, mhz: number): SweepLimit | null {
  const plain = measure.toUpperCase().replace(/[^A-Z]/g, '');
  const most = set === '5e' ? 100 : 250;
  if (mhz < 1) return null;
  // Above 250 MHz only the lowest value of the Cat 6A limit is held, that of a channel at 500 MHz.
  if (mhz > most)
    return plain === 'NEXT' && channel === 'EA' && mhz <= 500
      ? { db: NEXT_6A_LOWEST_DB, least: true, failsOnly: true }
      : null;
  const least = (db: number): SweepLimit => ({ db, least: true });
  if (plain === 'NEXT') return least(nextLimitDb(set, of, mhz));
  if (plain === 'PSNEXT') return least(nextLimitDb(set, of, mhz, true));
  if (plain === 'ACRF' || plain === 'ELFEXT') return least(acrfLimitDb(set, of, mhz));
  if (plain === 'PSACRF' || plain === 'PSELFEXT') return least(acrfLimitDb(set, of, mhz, true));
  // A link is held to stricter limits than the channel that it is part of: what misses the channel's misses the link's.
  const failsOnly = of === 'link';
  if (plain === 'RL' || plain === 'RETURNLOSS') return { ...least(returnLimitDb(set, mhz)), failsOnly };
  if (plain === 'IL' || plain === 'INSERTIONLOSS' || plain === 'ATTENUATION')
    return { db: insertionLimitDb(channel, mhz), least: false, failsOnly };
  return null;
}

/** Near-end crosstalk of a Cat 6A channel at 500 MHz, dB. From memory. */
const NEXT_6A_LOWEST_DB = 26.1;

/**
 * Worst margin of a sweep, dB, with where it is, and the measures and the band that it covers; null where nothing of it
 * can be held against a limit.
 */
export function worstMargin<V extends Value>(
  values: readonly V[],
  limitName: string,
): { marginDb: number; at: V; of: string } | null {
  const limit = readLimitName(limitName);
  if (limit === null) return null;
  let worst: { marginDb: number; at: V } | null = null;
  const measures = new Set<string>();
  let [low, high] = [Number.POSITIVE_INFINITY, 0];
  for (const at of values) {
    const held = sweepLimit(limit, at.measure, at.mhz);
    if (held === null) continue;
    const marginDb = held.least ? at.db - held.db : held.db - at.db;
    if (held.failsOnly && marginDb >= 0) continue;
    measures.add(at.measure);
    [low, high] = [Math.min(low, at.mhz), Math.max(high, at.mhz)];
    if (worst === null || marginDb < worst.marginDb) worst = { marginDb, at };
  }
  return worst && { ...worst, of: `${[...measures].join(', ')}, ${low} to ${high} MHz` };
}
