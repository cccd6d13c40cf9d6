import { fanNoiseFactor, powerAtOneMetre } from '../../../base/standards/noise';

/** Sum of sounds that have nothing to do with each other, dB; of none at all minus infinity. */
export const soundSum = (levels: Iterable<number>): number => {
  let power = 0;
  for (const level of levels) power += 10 ** (level / 10);
  return 10 * Math.log10(power);
};

/** Change from one distance to another in the open, dB. */
export const byDistance = (fromMm: number, toMm: number): number => -20 * Math.log10(toMm / fromMm);

/**
 * Pressure in a room of a source of so much power, dB.
 * @param absorbsM2 room constant; null: as in the open
 */
export function pressureIn(powerDb: number, distanceMm: number, absorbsM2: number | null, q: number): number {
  const direct = q / (4 * Math.PI * (distanceMm / 1000) ** 2);
  return powerDb + 10 * Math.log10(direct + (absorbsM2 === null ? 0 : 4 / absorbsM2));
}

/** Power of what is heard so loud at a metre over a floor, dB. */
export const powerFromPressure = (pressureDb: number): number => pressureDb + powerAtOneMetre;
export const pressureFromPower = (powerDb: number): number => powerDb - powerAtOneMetre;

/** Declared power in bels, as decibels. */
export const fromBels = (bels: number): number => 10 * bels;

/** Laws of fans: by the ratio of speeds. */
export const fanAt = (ratio: number) => ({
  flow: ratio,
  pressure: ratio ** 2,
  power: ratio ** 3,
  noiseDb: fanNoiseFactor * Math.log10(ratio),
});
