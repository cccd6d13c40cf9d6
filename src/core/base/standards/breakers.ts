import { fromMemory, published } from './source';

export const CURVES = ['B', 'C', 'D'] as const;
export type Curve = (typeof CURVES)[number];

/** Where the magnetic release acts, in multiples of the rating: never below `from`, always at `to`. */
export const magnetic: Readonly<Record<Curve, { from: number; to: number }>> = {
  B: { from: 3, to: 5 },
  C: { from: 5, to: 10 },
  D: { from: 10, to: 20 },
};
/** Up to 63 A: holds the first for an hour, acts within an hour at the second. */
export const thermal = { holds: 1.13, acts: 1.45 } as const;
export const breakerSource = published('IEC 60898-1: curves B, C, D; conventional currents');

/** A residual-current device of so much is kept below this share by standing leakage. */
export const residualShare = 0.3;
export const residualSource = fromMemory('BS 7671 531.3.2; IEC 60364-5-53: standing leakage at most 30 %');
/** Most that a device of protective class I may leak, mA. */
export const mostLeakMa = 3.5;
export const leakSource = published('IEC 62368-1: protective conductor current');
