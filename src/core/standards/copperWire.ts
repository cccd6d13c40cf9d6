import { fromMemory, published } from './source';

/** Annealed copper, 100 % IACS. Resistivity in ohm mm²/m at 20 degrees Celsius. */
export const copper = { ohmMm2PerM: 0.017241, perKelvin: 0.00393, atC: 20 } as const;
export const copperSource = published('IEC 60028');
export const gaugeSource = published('ASTM B258');

/** Greatest direct-current loop resistance, ohm. */
export const loopLimits = { channelOhm: 25, permanentLinkOhm: 21 } as const;
export const loopSource = published('ISO/IEC 11801-1; ANSI/TIA-568.2-D: loop resistance');

/** Greatest resistance of one conductor of horizontal cable, ohm for 100 m at 20 degrees Celsius. */
export const conductorLimitOhm = 9.38;

/** Copper-clad aluminium against copper of the same size. It does not comply with the cabling standards. */
export const copperClad = { factor: 1.58, source: fromMemory('ASTM B566') } as const;
