import { fromMemory, published } from './source';

/** Greatest pull on 4-pair cable, newtons. */
export const pullNewton = 110;
export const pullSource = published('ANSI/TIA-568.0: pull of 110 N on 4-pair cable');

/** Cables with power in one bundle, at most. */
export const mostInBundle = 24;
export const bundleSource = fromMemory('TIA TSB-184-A: bundles of 24 cables or fewer');
