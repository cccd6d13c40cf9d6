import type { Job } from '../../job/document/job';
import type { Run } from '../../job/records/run';
import { cableKindOf } from '../runs/cableKinds';
import { runsThrough } from '../runs/pathways/pathwayFigures';

/** Whether a run leaves the building: through a pathway outdoors or in the ground, or on cable that is made for it. */
export function goesOutdoors(job: Job, run: Run): boolean {
  const ratings = cableKindOf(job, run.cable)?.ratings ?? [];
  if (ratings.some((rating) => rating === 'outdoor' || rating === 'direct-burial')) return true;
  return Object.values(job.pathways).some(
    ({ id, surroundings }) =>
      (surroundings === 'outdoor' || surroundings === 'buried') &&
      runsThrough(job, id).some((other) => other.id === run.id),
  );
}
