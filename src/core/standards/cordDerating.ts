import { fromMemory, published, type Source } from './source';

/** How much faster a cord attenuates than fixed cable, as the share D of TIA-568.1, by gauge. */
export const cordDerating: Record<24 | 26 | 28, { share: number; source: Source }> = {
  24: { share: 0.2, source: published('ANSI/TIA-568.1: D = 0.2 for 24 AWG cords') },
  26: { share: 0.5, source: published('ANSI/TIA-568.1: D = 0.5 for 26 AWG cords') },
  28: { share: 0.95, source: fromMemory('ANSI/TIA-568.2-D: D = 0.95 for 28 AWG cords') },
};
export type CordGauge = keyof typeof cordDerating;

/** H + C (1 + D) <= 102 m, with H at most 90 m. */
export const cordRule = { sumMm: 102_000, fixedMm: 90_000 } as const;
