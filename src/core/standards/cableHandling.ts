import { fromMemory, published } from './source';

/** Least inside bend radius of installed cable, times its outside diameter. */
export const bendFactors = { fourPair: 4, multipair: 10, fibre: 10 } as const;
export const bendSource = published('ANSI/TIA-568.0: 4 × the diameter of 4-pair cable');
export const fibreBendSource = fromMemory('ANSI/TIA-568.0: bend radius of fibre and multipair cable');
/** Greatest pull on 4-pair cable, newtons. */
export const pullNewton = 110;
export const pullSource = published('ANSI/TIA-568.0: 110 N');
/** Labels stand within this of the end of the jacket, mm. */
export const labelWithinMm = 300;
export const labelSource = fromMemory('ANSI/TIA-606: labels at both ends, within 300 mm');
export const bundleSource = fromMemory('TIA TSB-184-A: bundles of 24 cables or fewer');
export const mostInBundle = 24;
