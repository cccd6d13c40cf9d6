/**
 * Power factor to plan with where the data sheet does not tell: supplies of up to 75 W may go without correction
 * (IEC 61000-3-2), larger ones have it. Common practice, no source.
 */
const powerFactorFor = (watts: number): number => (watts < 75 ? 0.6 : 0.9);
/** Share of the mains that a switch's supply hands on to its ports, 0.85 to 0.92: the lower. Common practice, no source. */
const POE_EFFICIENCY = 0.85;

/**
 * Current of a load, amperes: I = W / (V × power factor). Physics.
 * @param powerFactor 0 to 1; left out, as is planned for so many watts
 */
export const amperes = (watts: number, volts: number, powerFactor = powerFactorFor(watts)): number =>
  watts / (volts * powerFactor);

/**
 * Watts at the mains for what leaves a switch's ports, cable loss counted in them. Energy balance.
 * @param efficiency of the supply, 0 to 1
 */
export const mainsForPoeW = (portsW: number, efficiency = POE_EFFICIENCY): number => portsW / efficiency;
