import type { Gear } from '../records/gear';
import { cordBendFactor, cordDiameterMm, mainsPlugMm, plugMm } from '../standards/plugRoom';
import { frameWidths } from '../standards/rackDimensions';

/** Width of a device's front: a panel with its ears, or the body of what has none. */
export function frontWidthMm(gear: Gear): number {
  if (gear.frame === '19-inch' || gear.frame === '10-inch') return frameWidths[gear.frame].panelMm;
  return bodyWidthMm(gear);
}

/** Usual bodies where none is given, millimetres. Common practice, no source. */
const USUAL_BODY: Record<Gear['frame'], number> = { '19-inch': 440, '10-inch': 215, upright: 55, free: 150 };
export const bodyWidthMm = (gear: Gear): number => gear.widthMm ?? USUAL_BODY[gear.frame];

const bendMm = (1 + cordBendFactor) * cordDiameterMm;
const portRoom = (gear: Gear, side: 'front' | 'rear') =>
  Math.max(0, ...gear.ports.filter((group) => group.side === side).map((group) => plugMm[group.connector] + bendMm));

/** Room in front of the rails that plugs and the bend of their cords take, millimetres. */
export const plugFrontMm = (gear: Gear): number => gear.plugFrontMm ?? portRoom(gear, 'front');

/** Room behind the body that plugs and their cords take, millimetres. Panels are punched from behind: cables bend there. */
export const plugRearMm = (gear: Gear): number =>
  gear.plugRearMm ?? Math.max(portRoom(gear, 'rear'), mainsPlugMm[gear.inlet]);

/** Own heat at most, watts. What its ports supply turns to heat elsewhere. */
export const heatW = (gear: Gear): number => gear.heatW ?? gear.powerW;

export const isUpright = (gear: Gear): boolean => gear.frame === 'upright';
