import type { Job } from '../job/job';
import { drawnWattsOf, portWattsOf } from '../power/poe';
import type { Run } from '../records/run';
import { answerOf } from '../site/answers';

/** Watts that a run takes of the budget of its switch: what its class sets aside, or what its device draws. */
export function budgetWatts(job: Job, run: Run): number {
  return answerOf(job, 'patch-power') === 'measured' ? drawnWattsOf(run) : portWattsOf(run);
}
