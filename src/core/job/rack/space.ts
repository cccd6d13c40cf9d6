import { keptWhile } from '../../base/memo/kept';
import { type AtLeast, atLeast, together } from '../../base/units/atLeast';
import type { Job } from '../document/job';
import type { Gear } from '../records/gear';
import { type Face, type Placement, sideOf } from '../records/placement';
import type { Rack } from '../records/rack';

/** Front rails to the rear rails at a unit, millimetres; null where there are none. */
export function rearRailMm(rack: Rack, unit: number): number | null {
  if (rack.posts === 2) return null;
  const { innerRailMm, innerFromU, innerToU } = rack;
  const inner = innerRailMm !== null && unit >= (innerFromU ?? 1) && unit <= (innerToU ?? rack.units);
  return inner ? innerRailMm : (rack.rearRailMm ?? rack.depthMm);
}

/** Whether a device takes units on the front or rear rails. */
export const takesUnits = (placement: Pick<Placement, 'face'>): boolean =>
  placement.face === 'front' || placement.face === 'rear';

/** Where a device begins and ends behind the front rails, millimetres. */
export function depthsOf(rack: Rack, gear: Gear, face: Face): { frontMm: number; backMm: number } {
  if (sideOf(face) === 'front') return { frontMm: 0, backMm: gear.depthMm };
  const backMm = face === 'rear' ? (rack.rearRailMm ?? rack.depthMm) : rack.depthMm;
  return { frontMm: backMm - gear.depthMm, backMm };
}

export type Placed = { gear: Gear; placement: Placement };

const placedByRack = keptWhile(
  ({ placements, gear }: Job) => [placements, gear],
  ({ placements, gear: all }): Map<string, Placed[]> => {
    const byRack = new Map<string, Placed[]>();
    for (const placement of Object.values(placements)) {
      const gear = all[placement.gearId];
      if (!gear) continue;
      const list = byRack.get(placement.rackId);
      if (list) list.push({ gear, placement });
      else byRack.set(placement.rackId, [{ gear, placement }]);
    }
    for (const list of byRack.values()) list.sort((a, b) => a.placement.bottomU - b.placement.bottomU);
    return byRack;
  },
);

/** The gear of a rack, lowest first. */
export const placedIn = (job: Job, rackId: string): Placed[] => placedByRack(job).get(rackId) ?? [];

/** What stands on a shelf, in a drawer or in a kit. */
export const carriedBy = (job: Job, carrierId: string): Gear[] =>
  Object.values(job.shelvings)
    .filter((row) => row.carrierId === carrierId)
    .flatMap((row) => job.gear[row.gearId] ?? []);

/** A device with all that it carries, kilograms. */
export const loadedKg = (job: Job, gear: Gear): AtLeast =>
  atLeast([gear, ...carriedBy(job, gear.id)].map((one) => one.massKg));

/** All gear of a rack with what it carries, kilograms. */
export const gearKg = (job: Job, rackId: string): AtLeast =>
  together(placedIn(job, rackId).map(({ gear }) => loadedKg(job, gear)));
