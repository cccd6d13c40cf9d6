import type { Job } from '../../job/document/job';
import type { Run } from '../../job/records/run';
import { drawnWattsOf, portWattsOf } from '../power/poe';
import { answerOf } from '../survey/answers/answers';

/**
 * Watts that a run takes of the budget of its switch: what its device draws where that was entered and the job budgets
 * by draw, else what its class sets aside. Infinity: no class carries it.
 */
export function budgetWatts(job: Job, run: Run): number {
  return answerOf(job, 'patch-power') === 'measured' && (run.poeW ?? 0) > 0 ? drawnWattsOf(run) : portWattsOf(run);
}
