import { bundleAmps, bundleBase, bundleColumns, remotePowering } from '../../../base/standards/bundleAmpacity';

/**
 * Heat of one powered cable, W/m.
 * @param amps of the device, through the whole feed
 * @param ohmPerM of one conductor
 */
export const cableHeat = (amps: number, pairs: 2 | 4, ohmPerM: number): number =>
  amps ** 2 * (pairs === 4 ? ohmPerM / 2 : ohmPerM);

/** Amperes in each conductor that carries any. */
export const perConductor = (amps: number, pairs: 2 | 4): number => amps / pairs;

/** Ampacity of each conductor in a bundle of so many cables; null: not in the table. */
export function bundleAmpacity(awg: number, cables: number): number | null {
  const column = bundleColumns.findIndex((most) => cables <= most);
  return bundleAmps[Math.round(awg)]?.[column] ?? null;
}

/** Rise at another current in the same bundle, K: with its square. */
export const riseAt = (riseK: number, fromA: number, toA: number): number => riseK * (toA / fromA) ** 2;

/**
 * Rise of a bundle all of whose conductors carry so much, K: what the table allows warms it from its surrounding to the
 * rating of the cable, and other currents by their square.
 * @returns null where the table does not tell
 */
export function bundleRise(awg: number, cables: number, amps: number): number | null {
  const allowed = bundleAmpacity(awg, cables);
  return allowed === null ? null : riseAt(bundleBase.ratedC - bundleBase.ambientC, allowed, amps);
}

/** Which class of remote powering the mean current of conductors makes it. */
export const poweringClass = (meanAmps: number): 'RP1' | 'RP2' | 'RP3' =>
  meanAmps <= remotePowering.rp1A ? 'RP1' : meanAmps <= remotePowering.rp2A ? 'RP2' : 'RP3';
