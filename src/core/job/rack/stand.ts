import type { Job } from '../document/job';
import { indexJob } from '../document/jobIndex';
import type { Placement } from '../records/placement';

/** Where a device stands, or what carries it; undefined while neither has a place. */
export function standOf(job: Job, gearId: string): Placement | undefined {
  const { placementOfGear, carrierOfGear } = indexJob(job);
  return placementOfGear.get(gearId) ?? placementOfGear.get(carrierOfGear.get(gearId) ?? '');
}
