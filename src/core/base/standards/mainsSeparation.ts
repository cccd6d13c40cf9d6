import { fromMemory } from './source';

/** Communications cable to power conductors in the open, mm (NFPA 70 800.133(A); BS 6701). */
export const mainsLeastMm = 50;

/** S, mm, by the cable's segregation class and what contains the mains or the data cable. */
export const separationMm = {
  screened: { none: 50, 'open-metal': 38, 'perforated-metal': 25, 'solid-metal': 0 },
  unscreened: { none: 100, 'open-metal': 75, 'perforated-metal': 50, 'solid-metal': 0 },
} as const;

/** P by the number of single-phase 20 A circuits: the row holds up to and with so many. */
export const powerFactors = [
  { upTo: 3, factor: 0.2 },
  { upTo: 6, factor: 0.4 },
  { upTo: 9, factor: 0.6 },
  { upTo: 12, factor: 0.8 },
  { upTo: 15, factor: 1 },
  { upTo: 30, factor: 2 },
  { upTo: 45, factor: 3 },
  { upTo: 60, factor: 4 },
  { upTo: 75, factor: 5 },
  { upTo: Number.POSITIVE_INFINITY, factor: 6 },
] as const;

export const separationSource = fromMemory('EN 50174-2; ISO/IEC 14763-2: A = S × P');
