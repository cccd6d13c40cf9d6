import { keptWhile } from '../../base/memo/kept';
import { type Packing, packRectangles } from '../../base/solve/packRectangles';
import { rackDimensions } from '../../base/standards/rackDimensions';
import { formatSize } from '../../base/units/length';
import type { Job } from '../document/job';
import { bodyWidthMm, plugFrontMm, plugRearMm } from '../gear/body';
import { type Gear, isCarrier } from '../records/gear';
import { carriedBy } from './space';

/** Thickness of a floor and the play above it, millimetres; a kit holds devices by their sides. Common practice, no source. */
const FLOOR_MM = { shelf: 6, kit: 0.5 } as const;

/** Room on a shelf, in a drawer or in one bay of a kit, millimetres. */
export function trayOf(carrier: Gear): { widthMm: number; depthMm: number; heightMm: number } {
  const widthMm = bodyWidthMm(carrier);
  return {
    widthMm: carrier.bays > 0 ? Math.floor(widthMm / carrier.bays) : widthMm,
    depthMm: carrier.depthMm,
    heightMm: Math.floor(carrier.heightU * rackDimensions.unitMm - FLOOR_MM[carrier.bays > 0 ? 'kit' : 'shelf']),
  };
}

export const itemHeightMm = (gear: Gear): number =>
  gear.heightMm ?? Math.round(gear.heightU * rackDimensions.unitMm - rackDimensions.panelReliefMm);

/** Why a device cannot stand in or on another at all, or null. Whether all find room together is a snag, not a bar. */
export function shelfFault(job: Job, carrier: Gear, gear: Gear, bay: number | null): string | null {
  if (!isCarrier(carrier) || carrier.id === gear.id)
    return `${carrier.name} carries nothing: expected a shelf, a drawer or a mount kit.`;
  if (isCarrier(gear)) return `${gear.name} is screwed to rails itself.`;
  if (gear.ears === 'fixed' && gear.frame === '19-inch') {
    return `The ears of ${gear.name} do not come off: it is screwed to the rails and not put on a shelf.`;
  }
  const tray = trayOf(carrier);
  const size = (value: number) => formatSize(value, job.units);
  const height = itemHeightMm(gear);
  if (height > tray.heightMm) {
    return `${gear.name} is ${size(height)} high; ${carrier.name} has ${size(tray.heightMm)} above its floor. Give it another unit.`;
  }
  if (carrier.bays === 0) return bay === null ? null : `${carrier.name} has no bays.`;
  if (bay === null || bay > carrier.bays) return `${carrier.name} has bays 1 to ${carrier.bays}: say which.`;
  const width = bodyWidthMm(gear);
  if (width > tray.widthMm)
    return `${gear.name} is ${size(width)} wide; a bay of ${carrier.name} is ${size(tray.widthMm)}.`;
  const other = Object.values(job.shelvings).find(
    (row) => row.carrierId === carrier.id && row.bay === bay && row.gearId !== gear.id,
  );
  return other ? `Bay ${bay} of ${carrier.name} holds ${job.gear[other.gearId]?.name ?? 'another device'}.` : null;
}

export type ShelfLayout = {
  items: { gear: Gear; xMm: number; yMm: number; widthMm: number; depthMm: number; turned: boolean }[];
  /** Those that find no room. */
  left: Gear[];
  /** Whether no arrangement could hold more. */
  proven: boolean;
};

/**
 * Where what a shelf carries stands on it, seen from above, the front at the bottom edge. Plugs and their cords count
 * in the depth of a device. Of a kit: one device a bay.
 */
export const shelfLayout = (job: Job, carrier: Gear): ShelfLayout =>
  carrier.bays > 0 ? baysOf(job, carrier) : packed(carrier, ...carriedBy(job, carrier.id));

const packed = keptWhile(
  (carrier: Gear, ...gear: Gear[]) => [carrier, ...gear],
  (carrier, ...gear) => pack(carrier, gear),
);

function baysOf(job: Job, carrier: Gear): ShelfLayout {
  const tray = trayOf(carrier);
  const items = Object.values(job.shelvings).flatMap((row) => {
    const gear = row.carrierId === carrier.id ? job.gear[row.gearId] : undefined;
    if (!gear) return [];
    const xMm = ((row.bay ?? 1) - 1) * tray.widthMm;
    return { gear, xMm, yMm: 0, widthMm: bodyWidthMm(gear), depthMm: gear.depthMm, turned: false };
  });
  return { items, left: [], proven: true };
}

function pack(carrier: Gear, gear: Gear[]): ShelfLayout {
  const tray = trayOf(carrier);
  const boxes = gear.map((one) => ({
    width: bodyWidthMm(one),
    depth: one.depthMm + plugFrontMm(one) + plugRearMm(one),
  }));
  const { places, proven }: Packing = packRectangles(tray.widthMm, tray.depthMm, boxes);
  return {
    proven,
    left: gear.filter((_, at) => places[at] === null),
    items: gear.flatMap((one, at) => {
      const place = places[at];
      const box = boxes[at];
      if (!place || !box) return [];
      const [widthMm, depthMm] = place.turned ? [box.depth, box.width] : [box.width, box.depth];
      return { gear: one, xMm: place.x, yMm: place.y, widthMm, depthMm, turned: place.turned };
    }),
  };
}
