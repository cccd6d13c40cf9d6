import { slack } from '../../base/standards/slack';
import { sameKey } from '../../base/text/sameKey';
import type { Job } from '../../job/document/job';
import type { Place } from '../../job/records/place';
import type { Room } from '../../job/records/room';
import type { Run } from '../../job/records/run';
import { figureOf } from '../survey/answers/answers';
import { isInside, roomKey, type Site, siteOf } from '../survey/answers/site';

/** The way of a run over the plan, each part in millimetres. */
export type Route = {
  /** Along the floor plan, parallel to the walls. */
  acrossMm: number;
  /** Up and down: from the outlet to where cables cross, and from there to the cabinet. */
  verticalMm: number;
  slackMm: number;
  totalMm: number;
  /** Whether the outlet has a place, or the far corner of its room was taken. */
  outletPlaced: boolean;
  from: Place;
};

const apart = (a: { xMm: number; yMm: number }, b: { xMm: number; yMm: number }) =>
  Math.abs(a.xMm - b.xMm) + Math.abs(a.yMm - b.yMm);

/** Where the run enters: the entry of its side, else any entry, else the cabinet itself. */
function entryOf(site: Site, run: Run): Place | null {
  const entries = site.places.filter((place) => place.kind === 'cable-entry');
  return (
    entries.find((place) => run.entry !== null && place.side === run.entry) ??
    entries[0] ??
    site.places.find((place) => place.kind === 'cabinet') ??
    null
  );
}

function outletPlace(site: Site, room: Room, run: Run): Place | null {
  if (run.outlet === '') return null;
  const key = sameKey(run.outlet);
  return (
    site.places.find((place) => place.kind === 'outlet' && sameKey(place.name) === key && isInside(room, place)) ?? null
  );
}

/** The corner of a room that is farthest from a point: what has no place yet is reckoned there, to be safe. */
function farCorner(room: Room, from: Place): { xMm: number; yMm: number } {
  const far = (at: number, low: number, size: number) =>
    Math.abs(low + size - at) > Math.abs(low - at) ? low + size : low;
  return { xMm: far(from.xMm, room.xMm, room.widthMm), yMm: far(from.yMm, room.yMm, room.depthMm) };
}

/**
 * Length of a run over the plan: along the walls, up or down to where cables of the outlet's floor cross, and slack at
 * both ends.
 * @returns null while the plan does not know the room, or where the cabinet is
 */
export function routeOf(job: Job, run: Run): Route | null {
  const site = siteOf(job);
  const floor = site.floorByName.get(sameKey(run.floor));
  const room = floor && site.roomByName.get(roomKey(floor.id, run.room));
  const from = entryOf(site, run);
  if (!floor || !room || !from) return null;
  const outlet = outletPlace(site, room, run);
  const heightMm = run.outletHeightMm ?? outlet?.heightMm ?? figureOf(job, 'height-low');
  const floorZ = site.zOfFloor.get(floor.id) ?? 0;
  const crossZ = floorZ + (floor.route === 'overhead' ? floor.heightMm : -floor.slabMm);
  const fromZ = (site.zOfFloor.get(from.floorId) ?? 0) + from.heightMm;
  const acrossMm = apart(outlet ?? farCorner(room, from), from);
  const verticalMm = Math.abs(crossZ - floorZ - heightMm) + Math.abs(crossZ - fromZ);
  const outletSlackMm = run.carries === 'fibre' ? slack.outletFibreMm : figureOf(job, 'slack-outlet');
  const slackMm = figureOf(job, 'slack-cabinet') + outletSlackMm;
  const totalMm = Math.max(1, acrossMm + verticalMm + slackMm);
  return { acrossMm, verticalMm, slackMm, totalMm, outletPlaced: outlet !== null, from };
}

export type RunLength = { mm: number; from: 'measured' | 'route' };

/** Length of fixed cable: as measured, else by its route over the plan; null when neither is known. */
export function runLength(job: Job, run: Run): RunLength | null {
  if (run.lengthMm !== null) return { mm: run.lengthMm, from: 'measured' };
  const route = routeOf(job, run);
  return route && { mm: route.totalMm, from: 'route' };
}

export const runLengthMm = (job: Job, run: Run): number | null => runLength(job, run)?.mm ?? null;
