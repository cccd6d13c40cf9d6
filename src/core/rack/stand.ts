import type { JobIndex } from '../job/jobIndex';
import type { Placement } from '../records/placement';

/** Where a device stands, or what carries it; undefined while neither has a place. */
export function standOf({ placementOfGear, carrierOfGear }: JobIndex, gearId: string): Placement | undefined {
  return placementOfGear.get(gearId) ?? placementOfGear.get(carrierOfGear.get(gearId) ?? '');
}
