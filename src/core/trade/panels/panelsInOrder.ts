import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { isPanel } from '../../job/records/ports';

/** Panels in the order in which they are filled: from the top of the rack down, unplaced ones last. */
export const panelsInOrder = (job: Job): Gear[] => indexJob(job).gearInOrder.filter(isPanel);
