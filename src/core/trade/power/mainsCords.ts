import { rackDimensions } from '../../base/standards/rackDimensions';
import type { Job } from '../../job/document/job';
import { standOf } from '../../job/rack/stand';
import type { Gear } from '../../job/records/gear';
import { outletsOf } from '../../job/records/mainsSockets';
import type { Plug } from '../../job/records/plug';
import type { Rack } from '../../job/records/rack';

/** Lengths that mains cords are sold in, mm. Common practice, no source. */
export const MAINS_CORDS_MM = [500, 1000, 1500, 2000, 3000, 5000] as const;
/** Both plugs' bends and a little slack. Common practice, no source. */
const BENDS_MM = 300;
/** From the wall to the cabinet, and from cabinet to cabinet, where nothing is known. Common practice, no source. */
const UNKNOWN_WALL_MM = 1500;
const BETWEEN_RACKS_MM = 3000;
/** Inlets sit near the right end behind a device, as seen from the front. */
const INLET_X_MM = 380;
const RAIL_MM = 440;

type Spot = { rackId: string; xMm: number; yMm: number };

/** Where the middle of a device is, mm from the lower edge of the lowest unit; null: it stands nowhere yet. */
function middleOf(job: Job, gear: Gear): Spot | null {
  const place = standOf(job, gear.id);
  if (!place) return null;
  return { rackId: place.rackId, xMm: INLET_X_MM, yMm: (place.bottomU - 0.5) * rackDimensions.unitMm };
}

/** Where an outlet of a device is. */
function outletSpot(job: Job, feed: Gear, outlet: number): Spot | null {
  const at = middleOf(job, feed);
  const all = outletsOf(feed);
  const one = all[outlet - 1];
  if (!at || !one) return null;
  const length = all.at(-1)?.xMm ?? 0;
  if (feed.frame === 'upright') {
    const room = feed.heightU * rackDimensions.unitMm;
    return { ...at, xMm: RAIL_MM, yMm: at.yMm + (room - length) / 2 + one.xMm };
  }
  return { ...at, xMm: (RAIL_MM - length) / 2 + one.xMm };
}

/** Way of a mains cord from a device to an outlet, mm; null where either stands nowhere yet. */
export function mainsWayMm(
  job: Job,
  gear: Gear,
  feed: { gear: Gear; outlet: number } | { reachMm: number | null },
): number | null {
  const from = middleOf(job, gear);
  if (!from) return null;
  if (!('gear' in feed)) return from.yMm + (feed.reachMm ?? UNKNOWN_WALL_MM) + BENDS_MM;
  const to = outletSpot(job, feed.gear, feed.outlet);
  if (!to) return null;
  const between = to.rackId === from.rackId ? 0 : BETWEEN_RACKS_MM;
  return Math.abs(from.yMm - to.yMm) + Math.abs(from.xMm - to.xMm) + BENDS_MM + between;
}

/** The shortest cord that is sold and reaches; the longest where none does. */
export const stockCordMm = (wayMm: number): number =>
  MAINS_CORDS_MM.find((length) => length >= wayMm) ?? (MAINS_CORDS_MM.at(-1) as number);

/** The side that the cord of a plug runs on: as set, else the power side of the rack that its device is in; empty: in none. */
export function mainsSideOf(job: Job, plug: Pick<Plug, 'gearId' | 'side'>): string {
  const rack = job.racks[standOf(job, plug.gearId)?.rackId ?? ''];
  return plug.side ?? (rack ? powerSide(rack) : '');
}

/** The side on which cords of power run, away from where data comes in; a school. */
export const powerSide = (rack: Pick<Rack, 'entryAcrossMm'>): 'left' | 'right' =>
  (rack.entryAcrossMm ?? 0) > RAIL_MM / 2 ? 'left' : 'right';
