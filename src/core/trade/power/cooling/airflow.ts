import { air, gravity, openingSpeed, ventFlow } from '../../../base/standards/cooling';

const KELVIN = 273.15;
/** Pressure of the standard atmosphere at a height above the sea, Pa. */
const pressureAt = (heightM: number): number => air.seaPa * (1 - 2.25577e-5 * heightM) ** 5.25588;

/**
 * m³/h of air for each watt and kelvin.
 * @param airC temperature of the air that is moved, °C
 * @param heightM above the sea
 */
export const airFactor = (airC: number, heightM = 0): number =>
  (3600 * air.r * (airC + KELVIN)) / (pressureAt(heightM) * air.cp);

/** Air that carries watts off with a rise of so many kelvin, m³/h. V = P / (ρ cp ΔT). */
export const airFor = (watts: number, riseK: number, airC = 20, heightM = 0): number =>
  (airFactor(airC, heightM) * watts) / riseK;

/** Rise of air that carries so many watts off, K. */
export const riseBy = (watts: number, airM3h: number, airC = 20, heightM = 0): number =>
  airM3h <= 0 ? (watts > 0 ? Number.POSITIVE_INFINITY : 0) : (airFactor(airC, heightM) * watts) / airM3h;

/** Cubic feet a minute. */
export const toCfm = (m3h: number): number => m3h / 1.699011;

/**
 * Air through two openings, one above the other, m³/h; of unlike openings as two resistances in a row.
 * @param lowCm2 open area below, @param highCm2 above, @param apartMm middle to middle
 */
export function stackAir(lowCm2: number, highCm2: number, apartMm: number, riseK: number, airC = 27): number {
  if (lowCm2 <= 0 || highCm2 <= 0 || riseK <= 0) return 0;
  const area = 1e-4 / Math.sqrt(1 / lowCm2 ** 2 + 1 / highCm2 ** 2);
  return 3600 * ventFlow * area * Math.sqrt((2 * gravity * (apartMm / 1000) * riseK) / (airC + KELVIN));
}

/** Opening that so much air wants, cm². */
export const openingNeededCm2 = (airM3h: number): number => (airM3h / 3600 / openingSpeed) * 1e4;

/** Watts that so much air carries off at a rise. */
export const wattsBy = (airM3h: number, riseK: number, airC = 27): number => (airM3h * riseK) / airFactor(airC);
