import { fromMemory, published, type Source } from './source';

/** Lowest voltage at the port by type of supply, volts, and the current that a pairset may carry, amperes. */
export const poeFeed = [
  { upToClass: 3, leastV: 44, pairsetA: 0.35 },
  { upToClass: 4, leastV: 50, pairsetA: 0.6 },
  { upToClass: 6, leastV: 50, pairsetA: 0.6 },
  { upToClass: 8, leastV: 52, pairsetA: 0.96 },
] as const;

/** What a pair set of class 8 may carry, A (IEEE 802.3bt). */
export const pairsetLimitA = 0.96;

/** Lowest voltage at the device, volts, by class. */
export const deviceLeastV: Record<number, number> = {
  1: 37,
  2: 37,
  3: 37,
  4: 42.5,
  5: 44.3,
  6: 42.5,
  7: 42.9,
  8: 41.1,
};

export const poeFeedSource = published('IEEE 802.3-2022 clauses 33 and 145: supply and device voltages');
/** Of classes 5, 7 and 8 from memory. */
export const deviceLeastSource = (poeClass: number): Source =>
  [5, 7, 8].includes(poeClass)
    ? fromMemory('IEEE 802.3-2022 clause 145: device voltages of classes 5, 7 and 8')
    : poeFeedSource;
