import { fromMemory, published } from './source';

/** Greatest pull on 4-pair cable, newtons. */
export const pullNewton = 110;
export const pullSource = published('ANSI/TIA-568.0: pull of 110 N on 4-pair cable');

/** Least bend of laid 4-pair cable, times its diameter; of each kind its own is taken. */
export const bendSource = published('ANSI/TIA-568.0: bend of 4 × the outside diameter, 4-pair cable as laid');

/** Cables with power in one bundle, at most. */
export const mostInBundle = 24;
export const bundleSource = fromMemory('TIA TSB-184-A: bundles of 24 cables or fewer');
