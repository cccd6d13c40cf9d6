import { freeze } from 'immer';
import type { Job } from './job';

/**
 * A job, new from outside, that nothing can change in place any more. What is worked out of its parts is kept with them
 * only when it is sealed, so an unsealed one is worked out over and over.
 */
export const sealJob = (job: Job): Job => freeze(job, true);
