import { naturalOrder } from '../../base/text/naturalOrder';
import type { Job } from '../../job/document/job';
import type { JobCard } from '../../job/document/jobListing';
import { sketchOf } from '../../job/rack/sketch';
import { freeUnits } from '../../job/rack/units';

/**
 * What the list shows of a job's cabinet.
 * @param job its racks, gear and placements, and no more
 */
export function jobCard(job: Job): Pick<JobCard, 'rules' | 'rack'> {
  const [rack] = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  return {
    rules: job.rules,
    rack: rack
      ? { free: freeUnits(rack, Object.values(job.placements), job.gear).length, sketch: sketchOf(job, rack) }
      : null,
  };
}
