import { published, type Source } from './source';

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
/** Advice on the drop along a circuit that is not for lighting, %. */
export const dropAdvice = { northAmerica: 3, elsewhere: 5 } as const;
export const dropSource = published('NFPA 70 210.19 note: 3 % advised; BS 7671 Appendix 4: 5 %');
