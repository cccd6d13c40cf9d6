import { keptWhile } from '../../base/memo/kept';
import { frameWidths, rackDimensions } from '../../base/standards/rackDimensions';
import type { AtLeast } from '../../base/units/atLeast';
import type { Job } from '../document/job';
import { bodyWidthMm, frontWidthMm, heatW, plugFrontMm, plugRearMm } from '../gear/body';
import { type PortBox, portLayout } from '../gear/portLayout';
import { gearShortNames } from '../gear/shortNames';
import type { Gear, GearKind } from '../records/gear';
import type { Face, Placement } from '../records/placement';
import type { Rack } from '../records/rack';
import { itemHeightMm, shelfLayout, trayOf } from './shelf';
import { carriedBy, depthsOf, loadedKg, placedIn } from './space';
import { shownUnit, unitName } from './units';

/** A device in the drawing of one side: its box in millimetres, y downwards from the rack's top, x from the left rail's edge. */
export type ElevationItem = {
  gearId: string;
  name: string;
  shortName: string;
  kind: GearKind;
  place: string;
  face: Face;
  pinned: boolean;
  x: number;
  y: number;
  width: number;
  height: number;
  /** From the front rails to its front and to its back, plugs not counted. */
  frontMm: number;
  backMm: number;
  plugFrontMm: number;
  plugRearMm: number;
  depthMm: number;
  massKg: AtLeast;
  /** Null: not known. */
  heatW: number | null;
  tooDeep: boolean;
  inlets: number;
  ports: PortBox[];
  /** What stands on it, in the same measures. */
  carried: {
    gearId: string;
    name: string;
    kind: GearKind;
    x: number;
    y: number;
    width: number;
    height: number;
    frontMm: number;
    backMm: number;
  }[];
};

export type Elevation = {
  rackName: string;
  widthMm: number;
  heightMm: number;
  depthMm: number;
  units: { unitFromBottom: number; shown: number; y: number }[];
  holes: { x: number; y: number }[];
  /** Rear rails with the heights between which they stand. */
  rearRails: { depthMm: number; y: number; height: number }[];
  items: ElevationItem[];
};

const { unitMm, holeOffsetsMm, panelReliefMm } = rackDimensions;

/** Top edge of a unit counted from the bottom, millimetres below the rack's top. */
export const unitTop = (rack: Rack, unitFromBottom: number): number => (rack.units - unitFromBottom) * unitMm;

/** Hole centres above the lower boundary of unit 1, lowest first. */
export function holeHeights(units: number, pattern: Rack['holePattern'] = 'universal'): number[] {
  const offsets = holeOffsetsMm.filter((_, at) => pattern === 'universal' || at !== 1);
  return Array.from({ length: units }, (_, unit) => offsets.map((offset) => unit * unitMm + offset)).flat();
}

/** Left edge of a device: on the rails over their width, an upright one at its side. */
function leftEdge(gear: Gear, face: Face, panelMm: number): number {
  if (face === 'left' || face === 'rear-left') return -bodyWidthMm(gear);
  if (face === 'right' || face === 'rear-right') return panelMm;
  return (panelMm - frontWidthMm(gear)) / 2;
}

function carriedOn(job: Job, rack: Rack, carrier: Gear, top: number, face: Face): ElevationItem['carried'] {
  const { items } = shelfLayout(job, carrier);
  if (items.length === 0) return [];
  const panelMm = frameWidths[rack.frame].panelMm;
  const tray = trayOf(carrier);
  const inside = (panelMm - bodyWidthMm(carrier)) / 2;
  const floor = top + tray.heightMm;
  return items.map(({ gear, xMm, yMm, widthMm, depthMm }) => {
    const height = Math.min(itemHeightMm(gear), tray.heightMm);
    const x = inside + xMm;
    return {
      gearId: gear.id,
      name: gear.name,
      kind: gear.kind,
      x: face === 'rear' ? panelMm - x - widthMm : x,
      y: floor - height,
      width: widthMm,
      height,
      frontMm: yMm,
      backMm: yMm + depthMm,
    };
  });
}

const shortNameOf = (job: Job, gear: Gear): string => gearShortNames(job).get(gear.id) ?? '';

/** A device as drawn. It changes only with the device, its rack, its short name or the devices it carries. */
const itemOf = keptWhile(
  (job: Job, rack: Rack, gear: Gear, placement: Placement) => [
    placement,
    rack,
    gear,
    shortNameOf(job, gear),
    ...carriedBy(job, gear.id),
    ...Object.values(job.shelvings).filter(({ carrierId }) => carrierId === gear.id),
  ],
  makeItem,
);

function makeItem(job: Job, rack: Rack, gear: Gear, placement: Placement): ElevationItem {
  const { face, bottomU, pinned } = placement;
  const y = unitTop(rack, bottomU + gear.heightU - 1) + panelReliefMm / 2;
  return {
    gearId: gear.id,
    name: gear.name,
    shortName: shortNameOf(job, gear),
    kind: gear.kind,
    place: unitName(rack, bottomU, gear.heightU),
    face,
    pinned,
    x: leftEdge(gear, face, frameWidths[rack.frame].panelMm),
    y,
    width: frontWidthMm(gear),
    height: gear.heightU * unitMm - panelReliefMm,
    ...depthsOf(rack, gear, face),
    plugFrontMm: plugFrontMm(gear),
    plugRearMm: plugRearMm(gear),
    depthMm: gear.depthMm,
    massKg: loadedKg(job, gear),
    heatW: heatW(gear),
    tooDeep: gear.depthMm > rack.depthMm,
    inlets: gear.inlet === 'none' ? 0 : gear.inlets,
    ports: portLayout(gear),
    carried: carriedOn(job, rack, gear, y, face),
  };
}

/** Everything that a front, rear or side drawing of a rack needs, to scale in millimetres. */
export function elevation(job: Job, rack: Rack): Elevation {
  const heightMm = rack.units * unitMm;
  const { panelMm, holesApartMm } = frameWidths[rack.frame];
  const columns = [(panelMm - holesApartMm) / 2, (panelMm + holesApartMm) / 2];
  return {
    rackName: rack.name,
    widthMm: panelMm,
    heightMm,
    depthMm: rack.depthMm,
    units: Array.from({ length: rack.units }, (_, at) => ({
      unitFromBottom: at + 1,
      shown: shownUnit(rack, at + 1),
      y: unitTop(rack, at + 1),
    })),
    holes: holeHeights(rack.units, rack.holePattern).flatMap((height) =>
      columns.map((x) => ({ x, y: heightMm - height })),
    ),
    rearRails: rearRailsOf(rack),
    items: placedIn(job, rack.id).map(({ gear, placement }) => itemOf(job, rack, gear, placement)),
  };
}

function rearRailsOf(rack: Rack): Elevation['rearRails'] {
  if (rack.posts === 2) return [];
  const whole = { depthMm: rack.rearRailMm ?? rack.depthMm, y: 0, height: rack.units * unitMm };
  if (rack.innerRailMm === null) return [whole];
  const [from, to] = [rack.innerFromU ?? 1, Math.min(rack.units, rack.innerToU ?? rack.units)];
  return [whole, { depthMm: rack.innerRailMm, y: unitTop(rack, to), height: (to - from + 1) * unitMm }];
}
