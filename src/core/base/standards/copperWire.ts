import { published } from './source';

/** Annealed copper, 100 % IACS. Resistivity in ohm mm²/m at 20 degrees Celsius. */
export const copper = { ohmMm2PerM: 0.017241, perKelvin: 0.00393, atC: 20 } as const;
/** Gauge to diameter, and resistance of copper. */
export const copperSource = published('ASTM B258; IEC 60028');

/** A conductor of horizontal cable may have so much at most, ohm per 100 m at 20 degrees Celsius. */
export const cableLimitOhm = 9.38;
export const cableLimitSource = published('ANSI/TIA-568.2-D: conductor resistance of horizontal cable');

/** Greatest direct-current loop resistance of a channel, ohm. */
export const channelLoopOhm = 25;
export const loopSource = published('ISO/IEC 11801-1; ANSI/TIA-568.2-D: loop resistance');
