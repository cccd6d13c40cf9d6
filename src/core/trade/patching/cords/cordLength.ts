import { always, keptFor, keptWhile } from '../../../base/memo/kept';
import { type CordKind, cordBuilds, cordHabits } from '../../../base/standards/cords';
import { frameWidths, rackDimensions } from '../../../base/standards/rackDimensions';
import { readLengths } from '../../../base/units/lengthList';
import type { PatchCord } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob, type JobIndex } from '../../../job/document/jobIndex';
import { portCentreX, portCentreY } from '../../../job/gear/portLayout';
import { standOf } from '../../../job/rack/stand';
import type { Gear } from '../../../job/records/gear';
import type { Placement } from '../../../job/records/placement';
import { portAt } from '../../../job/records/ports';
import { answerOf } from '../../survey/answers/answers';

/** How a cord goes: across the faces, through a manager, or round the side. */
export type CordWay = 'straight' | 'manager' | 'side';
export type CordRoute = { way: CordWay; mm: number; managerId: string | null };
export type CordEnds = Pick<PatchCord, 'panelId' | 'panelPort' | 'switchId' | 'switchPort'>;

/** Plug, boot and bend at both ends, and ease. */
export function endsMm(kind: CordKind): number {
  const { bootMm, bendMm } = cordBuilds[kind];
  // A quarter turn at each end.
  return Math.round(2 * (bootMm + (Math.PI / 2) * bendMm * 0.5) + cordHabits.easeMm);
}

/**
 * Way between two ports of one rack, millimetres.
 * @param x from the left panel edge
 * @param dropMm between the heights of the two ports
 * @param widthMm of the rack's panels
 */
export function cordPathMm(
  way: CordWay,
  x1: number,
  x2: number,
  dropMm: number,
  kind: CordKind = 'standard',
  widthMm: number = frameWidths['19-inch'].panelMm,
): number {
  const ends = endsMm(kind);
  if (way === 'straight') return Math.abs(x1 - x2) + dropMm + ends;
  if (way === 'manager') return Math.abs(x1 - x2) + dropMm + 2 * cordHabits.intoManagerMm + ends;
  const left = x1 + x2;
  return Math.min(left, 2 * widthMm - left) + dropMm + cordHabits.aroundMm + ends;
}

/** Lengths that cords of this job come in, ascending, millimetres. */
export const stockLengths = keptWhile(
  ({ answers }: Job) => [answers],
  (job): number[] => readLengths(answerOf(job, 'cord-lengths')).mm,
  always,
);

/** Smallest stock length that covers a path with something to spare; null when none does. */
export const stockLengthMm = (stock: readonly number[], pathMm: number): number | null =>
  stock.find((length) => length >= pathMm + cordHabits.leastSpareMm) ?? null;

/** Kind of the cord that a port takes. */
export function cordKindFor(job: Job, device: Gear, port: number): CordKind {
  const connector = portAt(device, port)?.connector ?? 'rj45';
  if (connector !== 'rj45') return 'fibre';
  if (answerOf(job, 'cord-screened') === 'yes') return 'screened';
  return answerOf(job, 'cord-awg') === '28' ? 'slim' : 'standard';
}

type Placed = { gear: Gear; place: Placement };

/** The manager that a cord between two devices lies in: one between them, or one that touches either. */
function managerNear(index: JobIndex, from: Placed, to: Placed): Gear | null {
  const low = Math.min(from.place.bottomU, to.place.bottomU);
  const high = Math.max(from.place.bottomU + from.gear.heightU, to.place.bottomU + to.gear.heightU);
  let touching: Gear | null = null;
  for (const gear of index.gearInOrder) {
    if (gear.kind !== 'manager') continue;
    const place = index.placementOfGear.get(gear.id);
    if (!place || place.rackId !== from.place.rackId || place.face !== from.place.face) continue;
    const top = place.bottomU + gear.heightU;
    if (place.bottomU >= low && top <= high) return gear;
    if (top === low || place.bottomU === high) touching ??= gear;
  }
  return touching;
}

type WayBetween = { way: CordWay; managerId: string | null; widthMm: number };
/** How cords go between two devices, whatever the ports; null where either has no place or they stand in different racks. */
export function wayBetween(job: Job, panelId: string, switchId: string): WayBetween | null {
  return wayFor(job, `${panelId}:${switchId}`);
}

const wayFor = keptFor((job: Job, ends: string): WayBetween | null => {
  const [panelId = '', switchId = ''] = ends.split(':');
  return findWay(indexJob(job), panelId, switchId);
}, always);

function findWay(index: JobIndex, panelId: string, switchId: string): WayBetween | null {
  const { job } = index;
  const [panel, device] = [job.gear[panelId], job.gear[switchId]];
  const [from, to] = [standOf(job, panelId), standOf(job, switchId)];
  if (!panel || !device || !from || !to || from.rackId !== to.rackId) return null;
  const rack = job.racks[from.rackId];
  const unitsApart = Math.abs(from.bottomU - to.bottomU);
  const widthMm = rack ? frameWidths[rack.frame].panelMm : frameWidths['19-inch'].panelMm;
  const side = { way: 'side' as const, managerId: null, widthMm };
  if (answerOf(job, 'cord-way') === 'side' || panel.angled || from.face !== to.face) return side;
  const manager =
    unitsApart <= cordHabits.managerWithinU
      ? managerNear(index, { gear: panel, place: from }, { gear: device, place: to })
      : null;
  if (manager) return { way: 'manager', managerId: manager.id, widthMm };
  return unitsApart <= cordHabits.adjacentWithinU ? { way: 'straight', managerId: null, widthMm } : side;
}

/** Height of a port above the lower edge of its rack, millimetres; null while its device has no place. */
export function portHeightMm(job: Job, gearId: string, port: number): number | null {
  const [gear, place] = [job.gear[gearId], standOf(job, gearId)];
  const above = gear && portCentreY(gear, port);
  return place && typeof above === 'number' ? (place.bottomU - 1) * rackDimensions.unitMm + above : null;
}

/** Route between a panel port and a switch port as they stand; null while it cannot be told. */
export function routeBetween(job: Job, ends: CordEnds): CordRoute | null {
  const between = wayBetween(job, ends.panelId, ends.switchId);
  const [panel, device] = [job.gear[ends.panelId], job.gear[ends.switchId]];
  if (!between || !panel || !device) return null;
  const [x1, x2] = [portCentreX(panel, ends.panelPort), portCentreX(device, ends.switchPort)];
  if (x1 === null || x2 === null) return null;
  const kind = cordKindFor(job, device, ends.switchPort);
  const [y1, y2] = [
    portHeightMm(job, ends.panelId, ends.panelPort) ?? 0,
    portHeightMm(job, ends.switchId, ends.switchPort) ?? 0,
  ];
  const { way, managerId, widthMm } = between;
  return { way, managerId, mm: Math.round(cordPathMm(way, x1, x2, Math.abs(y1 - y2), kind, widthMm)) };
}

/** Length of a cord: as it is, or as to be taken from stock; null while it cannot be told. */
export function cordLengthMm(job: Job, cord: CordEnds & { lengthMm?: number | null }): number | null {
  if (cord.lengthMm) return cord.lengthMm;
  const route = routeBetween(job, cord);
  return route === null ? null : stockLengthMm(stockLengths(job), route.mm);
}
