import { fromMemory, published, type Source } from './source';

/** How much faster a cord attenuates than fixed cable, as the share D of TIA-568.1, by gauge. */
export const cordDerating: Record<24 | 26 | 28, { share: number; source: Source }> = {
  24: { share: 0.2, source: published('ANSI/TIA-568.1: D = 0.2 for 24 AWG cords') },
  26: { share: 0.5, source: published('ANSI/TIA-568.1: D = 0.5 for 26 AWG cords') },
  28: { share: 0.95, source: fromMemory('ANSI/TIA-568.2-D: D = 0.95 for 28 AWG cords') },
};
export type CordGauge = keyof typeof cordDerating;

/**
 * However short the fixed cable, cords of one channel end here, millimetres: the longest cord at the outlet with the cords
 * that are assumed in the cabinet (5 m of 24, 4 m of 26 AWG, from memory), or all of them together.
 */
export const mostCords: Record<CordGauge, { mm: number; outletMm: number | null; source: Source }> = {
  24: { mm: 27_000, outletMm: 22_000, source: published('ANSI/TIA-568.1: W at most 22 m of 24 AWG') },
  26: { mm: 21_000, outletMm: 17_000, source: published('ANSI/TIA-568.1: W at most 17 m of 26 AWG') },
  28: { mm: 15_000, outletMm: null, source: fromMemory('ANSI/TIA-568.2-D: 28 AWG cords at most 15 m in all') },
};

/** H + C (1 + D) <= 102 m, with H at most 90 m. */
export const cordRule = { sumMm: 102_000, fixedMm: 90_000 } as const;
