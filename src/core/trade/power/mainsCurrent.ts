import { plannedEfficiency, plannedFactor } from '../../base/standards/supplies';

/** Power factor to plan with where the data sheet does not tell. */
export const powerFactorFor = (watts: number): number =>
  watts < plannedFactor.belowW ? plannedFactor.small : plannedFactor.large;

/**
 * Current of a load, amperes: I = W / (V × power factor). Physics.
 * @param powerFactor 0 to 1; left out, as is planned for so many watts
 */
export const amperes = (watts: number, volts: number, powerFactor = powerFactorFor(watts)): number =>
  watts / (volts * powerFactor);

/** Apparent power of a load, VA. */
export const voltAmperes = (watts: number, powerFactor = powerFactorFor(watts)): number => watts / powerFactor;

/**
 * Watts at the mains for what leaves a switch's ports, cable loss counted in them. Energy balance.
 * @param efficiency of the supply, 0 to 1
 */
export const mainsForPoeW = (portsW: number, efficiency: number = plannedEfficiency): number => portsW / efficiency;

/** What a continuous load may take of a circuit, A. */
export const continuousAmps = (ratedA: number, share: number): number => ratedA * share;

/** Heat of equipment in British thermal units an hour. */
export const btuPerHour = (watts: number): number => watts * 3.412;
