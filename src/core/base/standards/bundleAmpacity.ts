import { fromMemory, published } from './source';

/** Columns of the table: cables in a bundle up to so many. */
export const bundleColumns = [1, 7, 19, 37, 61, 91, 192] as const;
/** Amperes for each conductor, all loaded, 30 °C, cable rated 60 °C. Null: not in the table. */
export const bundleAmps: Readonly<Record<number, readonly (number | null)[]>> = {
  26: [1, 1, 0.7, 0.5, 0.4, 0.4, null],
  24: [2, 1, 0.8, 0.6, 0.5, 0.4, 0.3],
  23: [2.5, 1.2, 0.8, 0.6, 0.5, 0.5, 0.4],
  22: [3, 1.4, 1, 0.7, 0.6, 0.6, 0.5],
};
/** The table is of this surrounding and this rating, °C. */
export const bundleBase = { ambientC: 30, ratedC: 60 } as const;
/** At or below this current in each conductor the table is not asked. */
export const bundleFreeAmps = 0.3;
export const bundleSource = fromMemory('NFPA 70 Table 725.144 (2017, 2020): ampacity in bundles');

/** What a bundle may warm up, K, and in what surrounding, °C. */
export const bundleRise = { mostK: 15, ambientC: 45 } as const;
export const bundleRiseSource = fromMemory('TIA TSB-184-A: rise of 15 K over 45 °C');
export const bundleHeatSource = published('physics: P = I² R');

/** Mean current of conductors, A, up to which remote powering needs no design of its own, and with care. */
export const remotePowering = { rp1A: 0.212, rp2A: 0.5 } as const;
export const remotePoweringSource = fromMemory('ISO/IEC 14763-2; EN 50174-2: RP1, RP2, RP3');
