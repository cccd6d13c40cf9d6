import type { Connector } from './connectors';
import { type CordBuild, cordBuildSource, cordBuilds } from './cords';
import type { INLETS } from './inlets';

/** Plug, boot, and the cord's least bend before it can run along the face, millimetres. */
const beforeFace = ({ bootMm, bendMm, diameterMm }: CordBuild): number => Math.ceil(bootMm + bendMm + diameterMm);

/**
 * Room that a port needs before its face, millimetres: the largest of the cords that may be in it, by the same figures as
 * the cords themselves. An aerial plug with its cable: common practice, no source.
 */
export const plugRoomMm: Record<Connector, number> = {
  rj45: beforeFace(cordBuilds.standard),
  keystone: beforeFace(cordBuilds.standard),
  sfp: beforeFace(cordBuilds['direct-attach']),
  'sfp+': beforeFace(cordBuilds['direct-attach']),
  sfp28: beforeFace(cordBuilds['direct-attach']),
  qsfp28: beforeFace(cordBuilds['direct-attach']),
  lc: beforeFace(cordBuilds.fibre),
  sc: beforeFace(cordBuilds.fibre),
  f: 65,
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
export const plugSource = cordBuildSource;
