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

export type SweepLimit = { db: number; least: boolean };
type Value = { measure: string; mhz: number; db: number };

/** What a measure must come to at a frequency, dB; null where this program holds no limit for it. */
export function sweepLimit({ set, class: channel, of }: NamedLimit, measure: string, mhz: number): SweepLimit | null {
  const plain = measure.toUpperCase().replace(/[^A-Z]/g, '');
  const most = set === '5e' ? 100 : 250;
  if (mhz < 1 || mhz > most) return null;
  const least = (db: number): SweepLimit => ({ db, least: true });
  if (plain === 'NEXT') return least(nextLimitDb(set, of, mhz));
  if (plain === 'PSNEXT') return least(nextLimitDb(set, of, mhz, true));
  if (plain === 'ACRF' || plain === 'ELFEXT') return least(acrfLimitDb(set, of, mhz));
  if (plain === 'PSACRF' || plain === 'PSELFEXT') return least(acrfLimitDb(set, of, mhz, true));
  if (of === 'link') return null;
  if (plain === 'RL' || plain === 'RETURNLOSS') return least(returnLimitDb(set, mhz));
  if (plain === 'IL' || plain === 'INSERTIONLOSS' || plain === 'ATTENUATION')
    return { db: insertionLimitDb(channel, mhz), least: false };
  return null;
}

/** Least margin of a sweep, dB, with where it is; null where nothing of it can be held against a limit. */
export function worstMargin<V extends Value>(
  values: readonly V[],
  limitName: string,
): { marginDb: number; at: V } | null {
  const limit = readLimitName(limitName);
  if (limit === null) return null;
  let worst: { marginDb: number; at: V } | null = null;
  for (const at of values) {
    const held = sweepLimit(limit, at.measure, at.mhz);
    if (held === null) continue;
    const marginDb = held.least ? at.db - held.db : held.db - at.db;
    if (worst === null || marginDb < worst.marginDb) worst = { marginDb, at };
  }
  return worst;
}
