import { published, type Source } from '../../base/standards/source';

export const limitSource: Source = published('ANSI/TIA-568.2; ISO/IEC 11801: limits by frequency');
export type LimitSet = '5e' | '6';
/** A permanent link, or a channel with its cords. */
export type Measured = 'link' | 'channel';

const power = (db: number): number => 10 ** (-db / 20);
const log = Math.log10;
/** Two sources of crosstalk, cable and connectors, added as voltages. */
const joint = (cableDb: number, connectorDb: number, connectors: number): number =>
  -20 * log(power(cableDb) + connectors * power(connectorDb));

const NEXT = {
  '5e': { cable: 35.3, connector: 43, most: 60, sumCable: 32.3, sumConnector: 40, sumMost: 57 },
  '6': { cable: 44.3, connector: 54, most: 65, sumCable: 42.3, sumConnector: 50, sumMost: 62 },
} as const;
const FEXT = { '5e': { cable: 23.8, connector: 35.1 }, '6': { cable: 27.8, connector: 43.1 } } as const;

/** Near-end crosstalk at least, dB, at f MHz (5e to 100, 6 and 6A to 250). */
export function nextLimitDb(set: LimitSet, of: Measured, f: number, sum = false): number {
  const { cable, connector, most, sumCable, sumConnector, sumMost } = NEXT[set];
  const [near, plug, cap] = sum ? [sumCable, sumConnector, sumMost] : [cable, connector, most];
  return Math.min(cap, joint(near - 15 * log(f / 100), plug - 20 * log(f / 100), of === 'channel' ? 2 : 1));
}

/** Far-end crosstalk against attenuation at least, dB. */
export function acrfLimitDb(set: LimitSet, of: Measured, f: number, sum = false): number {
  const less = sum ? 3 : 0;
  const { cable, connector } = FEXT[set];
  const rise = 20 * log(f / 100);
  return joint(cable - less - rise, connector - less - rise, of === 'channel' ? 4 : 3);
}

const INSERTION = {
  D: (f: number) => 1.05 * (1.9108 * Math.sqrt(f) + 0.0222 * f + 0.2 / Math.sqrt(f)) + 0.16 * Math.sqrt(f),
  E: (f: number) => 1.05 * (1.82 * Math.sqrt(f) + 0.0169 * f + 0.25 / Math.sqrt(f)) + 0.08 * Math.sqrt(f),
  EA: (f: number) => 1.05 * (1.82 * Math.sqrt(f) + 0.0091 * f + 0.25 / Math.sqrt(f)) + 0.08 * Math.sqrt(f),
} as const;
export type ChannelClass = keyof typeof INSERTION;
/** Insertion loss of a channel at most, dB. */
export const insertionLimitDb = (of: ChannelClass, f: number): number => INSERTION[of](f);

/** Return loss of a channel at least, dB. */
export function returnLimitDb(set: LimitSet, f: number): number {
  if (set === '5e') return f <= 20 ? 17 : 30 - 10 * log(f);
  return f <= 10 ? 19 : f <= 40 ? 24 - 5 * log(f) : 32 - 10 * log(f);
}

/** Alien near-end crosstalk summed, at least, dB (6A channel). From memory. */
export const alienNextLimitDb = (f: number): number => (f <= 100 ? 80 - 10 * log(f) : 90 - 15 * log(f));
/** The same far end against attenuation. From memory. */
export const alienFextLimitDb = (f: number): number => 77 - 20 * log(f);
