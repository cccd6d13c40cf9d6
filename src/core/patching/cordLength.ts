import { portCentreX } from '../gear/portLayout';
import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import type { Cord } from '../job/records/cord';
import { standOf } from '../rack/stand';
import { frameWidths, rackDimensions } from '../standards/rackDimensions';

/** Common practice, no source: stock lengths, and what plugs, bends and the way round the side take. Millimetres. */
export const cordPractice = {
  stockMm: [250, 500, 1000, 1500, 2000, 3000, 5000],
  /** Up to this many units apart a cord goes straight across the faces. */
  adjacentWithinU: 2,
  adjacentAllowanceMm: 120,
  sideAllowanceMm: 300,
} as const;

/**
 * Way of a cord between two ports of one rack: straight where the devices are neighbours, else round the nearer side.
 * @param x millimetres from the left panel edge
 * @param unitsApart whole units between the two devices
 * @param widthMm of the rack's panels
 */
export function cordPathMm(
  x1: number,
  x2: number,
  unitsApart: number,
  widthMm: number = frameWidths['19-inch'].panelMm,
): number {
  const { adjacentWithinU, adjacentAllowanceMm, sideAllowanceMm } = cordPractice;
  const drop = unitsApart * rackDimensions.unitMm;
  if (unitsApart <= adjacentWithinU) return Math.abs(x1 - x2) + drop + adjacentAllowanceMm;
  const left = x1 + x2;
  const right = 2 * widthMm - left;
  return Math.min(left, right) + drop + sideAllowanceMm;
}

/** Smallest stock length that covers a path; null when none does. */
export function stockLengthMm(pathMm: number): number | null {
  return cordPractice.stockMm.find((length) => length >= pathMm) ?? null;
}

/** Path between a panel port and a switch port as they stand; null while either device has no place or they stand in different racks. */
export function pathBetweenMm(
  job: Job,
  ends: Pick<Cord, 'panelId' | 'panelPort' | 'switchId' | 'switchPort'>,
): number | null {
  const index = indexJob(job);
  const [panel, device] = [job.gear[ends.panelId], job.gear[ends.switchId]];
  const [from, to] = [standOf(index, ends.panelId), standOf(index, ends.switchId)];
  if (!panel || !device || !from || !to || from.rackId !== to.rackId) return null;
  const [x1, x2] = [portCentreX(panel, ends.panelPort), portCentreX(device, ends.switchPort)];
  if (x1 === null || x2 === null) return null;
  const rack = job.racks[from.rackId];
  return cordPathMm(x1, x2, Math.abs(from.bottomU - to.bottomU), rack && frameWidths[rack.frame].panelMm);
}

/** Length of cord to take from stock; null while it cannot be told. */
export function cordLengthMm(job: Job, cord: Cord): number | null {
  const path = pathBetweenMm(job, cord);
  return path === null ? null : stockLengthMm(path);
}
