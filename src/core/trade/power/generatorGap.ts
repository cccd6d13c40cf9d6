import { bridgeMargin, cranking, generatorShare } from '../../base/standards/generators';

/** Seconds of attempts to start: each turns and, but for the last, rests. */
export const crankingS = (attempts: number): number =>
  attempts * cranking.turnS + Math.max(0, attempts - 1) * cranking.restS;

export type Start = { delayS: number; attempts: number; warmS: number; transferS: number };

/** Seconds from the loss of the mains until a generator carries the load. */
export const generatorGapS = ({ delayS, attempts, warmS, transferS }: Start): number =>
  delayS + crankingS(attempts) + warmS + transferS;

/** Battery minutes that bridge such a gap, margin counted. */
export const bridgeMinutes = (gapS: number): number => (bridgeMargin * gapS) / 60;

/** kVA of a generator that carries battery units of so many kVA, recharge counted. */
export const generatorKva = (unitKva: number, corrected: boolean): number =>
  unitKva * ((corrected ? generatorShare.corrected : generatorShare.plain) + generatorShare.recharge);
