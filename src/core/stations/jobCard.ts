import { careDates } from '../care/careDates';
import type { Job } from '../job/job';
import type { JobCard } from '../job/jobListing';
import { sketchOf } from '../rack/sketch';
import { freeUnits } from '../rack/units';
import { addDays } from '../text/days';
import { naturalOrder } from '../text/naturalOrder';

/**
 * What the list shows of a job's cabinet and care.
 * @param job its racks, gear, placements, testers and dates of care, and no more
 * @param today of the server: where it is read it may be the day before or after
 */
export function jobCard(job: Job, today: string): Pick<JobCard, 'rules' | 'rack' | 'due'> {
  const [rack] = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  const tomorrow = addDays(today, 1);
  return {
    rules: job.rules,
    rack: rack
      ? { free: freeUnits(rack, Object.values(job.placements), job.gear).length, sketch: sketchOf(job, rack) }
      : null,
    due: careDates(job, today).flatMap(({ what, due }) => (due !== null && due <= tomorrow ? [{ what, due }] : [])),
  };
}
