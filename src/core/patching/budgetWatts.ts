import type { Job } from '../job/job';
import type { Run } from '../job/records/run';
import { drawnWattsFor, portWattsFor } from '../power/poe';
import { answerOf } from '../survey/answers';

/** Watts that a run takes of the budget of its switch: what its class sets aside, or what its device draws. */
export function budgetWatts(job: Job, run: Run): number {
  return answerOf(job, 'patch-power') === 'measured' ? drawnWattsFor(run.poeW) : portWattsFor(run.poeW);
}
