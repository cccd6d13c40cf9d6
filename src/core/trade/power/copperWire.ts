import { cableLimitOhm, copper } from '../../base/standards/copperWire';

/** Diameter of a solid conductor, mm, by ASTM B258. */
export const gaugeDiameterMm = (awg: number): number => 0.127 * 92 ** ((36 - awg) / 39);

/** Resistance of one metre of one solid copper conductor, ohm. */
export function ohmPerMetre(awg: number, celsius: number = copper.atC): number {
  const area = (Math.PI / 4) * gaugeDiameterMm(awg) ** 2;
  return (copper.ohmMm2PerM / area) * (1 + copper.perKelvin * (celsius - copper.atC));
}

/** Loop resistance of one pair, ohm: there and back. */
export const loopOhm = (lengthMm: number, awg: number, celsius: number = copper.atC): number =>
  2 * (lengthMm / 1000) * ohmPerMetre(awg, celsius);

/**
 * Loop resistance of one pair of fixed cable that its standard guarantees, ohm: what a conductor may have at most, or what
 * copper of its gauge has where that is more.
 */
export const limitLoopOhm = (lengthMm: number, awg: number, celsius: number = copper.atC): number =>
  Math.max(
    loopOhm(lengthMm, awg, celsius),
    2 * (lengthMm / 100_000) * cableLimitOhm * (1 + copper.perKelvin * (celsius - copper.atC)),
  );
