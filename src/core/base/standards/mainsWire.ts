import { fromMemory, published, type Source } from './source';

export const MAINS_WIRES = ['1.0', '1.5', '2.5', '4.0', 'awg-14', 'awg-12', 'awg-10'] as const;
export type MainsWire = (typeof MAINS_WIRES)[number];

const bs = published('BS 7671 Appendix 4: two-core cable');
const nec = published('NFPA 70 Chapter 9 Table 8: solid copper at 75 °C');
/** Voltage lost there and back, millivolts for each ampere and metre. */
export const mainsWires: Readonly<Record<MainsWire, { name: string; mvPerAm: number; source: Source }>> = {
  '1.0': { name: '1.0 mm²', mvPerAm: 44, source: bs },
  '1.5': { name: '1.5 mm²', mvPerAm: 29, source: bs },
  '2.5': { name: '2.5 mm²', mvPerAm: 18, source: bs },
  '4.0': { name: '4 mm²', mvPerAm: 11, source: bs },
  'awg-14': { name: '14 AWG', mvPerAm: 20.1, source: nec },
  'awg-12': { name: '12 AWG', mvPerAm: 12.7, source: nec },
  'awg-10': { name: '10 AWG', mvPerAm: 7.9, source: nec },
};
/**
 * Largest breaker that a copper conductor may be behind, A. North America: 240.4(D). Elsewhere the current of flat cable
 * clipped direct, the best of the usual ways to install it; in insulation it is much less.
 */
export const wireMostA: Readonly<Record<MainsWire, { amps: number; source: Source }>> = {
  '1.0': { amps: 16, source: fromMemory('BS 7671 Table 4D5: flat cable, clipped direct') },
  '1.5': { amps: 20, source: fromMemory('BS 7671 Table 4D5: flat cable, clipped direct') },
  '2.5': { amps: 27, source: fromMemory('BS 7671 Table 4D5: flat cable, clipped direct') },
  '4.0': { amps: 37, source: fromMemory('BS 7671 Table 4D5: flat cable, clipped direct') },
  'awg-14': { amps: 15, source: published('NFPA 70 240.4(D): 14 AWG copper on 15 A') },
  'awg-12': { amps: 20, source: published('NFPA 70 240.4(D): 12 AWG copper on 20 A') },
  'awg-10': { amps: 30, source: published('NFPA 70 240.4(D): 10 AWG copper on 30 A') },
};
/** A ring of 2.5 mm² may be behind 32 A in the United Kingdom: each leg carries a part. */
export const ringFinal = { wire: '2.5', breakerA: 32 } as const;
/** Advice on the drop along a circuit that is not for lighting, %. */
export const dropAdvice = { northAmerica: 3, elsewhere: 5 } as const;
export const dropSource = published('NFPA 70 210.19 note: 3 % advised; BS 7671 Appendix 4: 5 %');
