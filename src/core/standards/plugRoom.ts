import type { Connector } from './connectors';
import type { INLETS } from './inlets';
import { commonPractice, fromMemory } from './source';

/** How far a plug with its boot stands out of the face, millimetres. Common practice, no source. */
export const plugMm: Record<Connector, number> = {
  rj45: 30,
  keystone: 30,
  sfp: 40,
  'sfp+': 40,
  sfp28: 40,
  qsfp28: 45,
  lc: 38,
  sc: 40,
  f: 30,
};
/** Mains plugs straight behind their inlets, with the cord's bend, millimetres. Common practice, no source. */
export const mainsPlugMm: Record<(typeof INLETS)[number], number> = {
  none: 0,
  c6: 40,
  c8: 35,
  c14: 60,
  c20: 75,
  barrel: 30,
  cord: 20,
};
export const plugSource = commonPractice;

/** A usual copper cord, millimetres over its jacket. Common practice, no source. */
export const cordDiameterMm = 6;
/** Least bend radius of a patch cord, in diameters of the cord. */
export const cordBendFactor = 1;
export const cordBendSource = fromMemory('ANSI/TIA-568.0-E: bend radius of a patch cord, 1 × its diameter');
