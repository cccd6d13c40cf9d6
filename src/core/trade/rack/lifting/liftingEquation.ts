import {
  type Coupling,
  couplingFactor,
  frequencyFactor,
  type LiftDuration,
  liftingConstants as limit,
} from '../../../base/standards/lifting';

/** One lift at one of its ends. Centimetres, degrees, lifts a minute. */
export type Lift = {
  /** Hands out from the ankles. */
  reachCm: number;
  /** Hands above the floor. */
  heightCm: number;
  /** Height through which it is moved. */
  travelCm: number;
  twistDeg: number;
  perMinute: number;
  duration: LiftDuration;
  coupling: Coupling;
};

/**
 * How far out from the ankles the hands hold a load, centimetres: its middle, from a body that it does not touch.
 * @param depthMm of the load, away from the body
 * @param heightCm of the hands
 * Source: NIOSH 94-110, 1.1.1: H = 20 + W/2 from 25 cm up, 25 + W/2 below.
 */
export const reachCm = (depthMm: number, heightCm: number): number => (heightCm >= 25 ? 20 : 25) + depthMm / 20;

/** The factors of the lifting equation and the weight that they recommend as the most, kilograms. */
export function recommendedLimit({ reachCm, heightCm, travelCm, twistDeg, perMinute, duration, coupling }: Lift) {
  const factors = {
    reach: reachCm > limit.mostReachCm ? 0 : Math.min(1, limit.reachCm / reachCm),
    height: heightCm > limit.mostHeightCm ? 0 : 1 - 0.003 * Math.abs(heightCm - limit.heightCm),
    travel: travelCm > limit.mostTravelCm ? 0 : travelCm <= limit.leastTravelCm ? 1 : 0.82 + 4.5 / travelCm,
    twist: twistDeg > limit.mostTwistDeg ? 0 : 1 - 0.0032 * twistDeg,
    frequency: frequencyFactor(perMinute, duration, heightCm),
    coupling: couplingFactor(coupling, heightCm),
  };
  const limitKg = Object.values(factors).reduce((product, factor) => product * factor, limit.loadKg);
  return { factors, limitKg };
}

/** Up to 1 acceptable to most people, above it the risk rises, above 3 it is high. No load at all is 0. */
export const liftingIndex = (massKg: number, limitKg: number): number =>
  massKg === 0 ? 0 : limitKg > 0 ? massKg / limitKg : Number.POSITIVE_INFINITY;
