import { published } from './source';

/** Length limits of balanced twisted-pair cabling, millimetres. */
export const copperLengths = {
  permanentLinkMm: 90_000,
  channelMm: 100_000,
  /** Work-area end of the 10 m of cords that go with a 90 m link. */
  workAreaCordMm: 5_000,
} as const;

export const permanentLinkSource = published('ANSI/TIA-568.1; ISO/IEC 11801-1: permanent link');
export const channelSource = published('ANSI/TIA-568.1; ISO/IEC 11801-1: channel');

/** A consolidation point stands at least so far from the panel, mm (ANSI/TIA-568.1). */
export const consolidationLeastMm = 15_000;
