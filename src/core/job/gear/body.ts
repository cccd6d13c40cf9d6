import { mainsPlugMm, plugRoomMm } from '../../base/standards/plugRoom';
import { frameWidths } from '../../base/standards/rackDimensions';
import type { Gear, GearKind } from '../records/gear';

/** Width of a device's front: a panel with its ears, or the body of what has none. */
export function frontWidthMm(gear: Gear): number {
  if (gear.frame === '19-inch' || gear.frame === '10-inch') return frameWidths[gear.frame].panelMm;
  return bodyWidthMm(gear);
}

/** Usual bodies where none is given, millimetres. Common practice, no source. */
const USUAL_BODY: Record<Gear['frame'], number> = { '19-inch': 440, '10-inch': 215, upright: 55, free: 150 };
export const bodyWidthMm = (gear: Gear): number => gear.widthMm ?? USUAL_BODY[gear.frame];

const portRoom = (gear: Gear, side: 'front' | 'rear') =>
  Math.max(0, ...gear.ports.filter((group) => group.side === side).map((group) => plugRoomMm[group.connector]));

/** Room in front of the rails that plugs and the bend of their cords take, millimetres. */
export const plugFrontMm = (gear: Gear): number => gear.plugFrontMm ?? portRoom(gear, 'front');

/** Room behind the body that plugs and their cords take, millimetres. Panels are punched from behind: cables bend there. */
export const plugRearMm = (gear: Gear): number =>
  gear.plugRearMm ?? Math.max(portRoom(gear, 'rear'), mainsPlugMm[gear.inlet]);

/** What draws nothing of its own by what it is. */
const PASSIVE: readonly GearKind[] = [
  'panel',
  'shelf',
  'drawer',
  'kit',
  'cassette',
  'manager',
  'brush',
  'blank',
  'distribution',
];

/** Own draw at most, watts; null: not known. A battery unit loses to heat what it draws for itself. */
export const ownW = ({ kind, powerW, heatW }: Pick<Gear, 'kind' | 'powerW' | 'heatW'>): number | null =>
  powerW ?? (PASSIVE.includes(kind) ? 0 : kind === 'ups' ? heatW : null);

/** Own heat at most, watts; null: not known. What its ports supply turns to heat elsewhere. */
export const heatW = (gear: Gear): number | null => gear.heatW ?? ownW(gear);

/** What passes the mains on to others. */
export const feedsOthers = ({ kind }: Pick<Gear, 'kind'>): boolean => kind === 'distribution' || kind === 'ups';

export const isUpright = (gear: Gear): boolean => gear.frame === 'upright';
