import type { Job } from '../../job/job';
import { indexJob } from '../../job/jobIndex';
import type { QuestionId } from '../../records/questions';
import { isNow, type Run } from '../../records/run';
import { runLengthMm } from '../../runs/routeLength';
import { figureOf } from '../../site/answers';

/** Copper runs of this job. */
export const copperRuns = (job: Job): Run[] =>
  indexJob(job).runsInOrder.filter((run) => run.carries === 'ethernet' && isNow(run));

export const metresOf = (job: Job, runs: readonly Run[]): number =>
  runs.reduce((sum, run) => sum + (runLengthMm(job, run) ?? 0) / 1000, 0);

export const price = (job: Job, id: QuestionId): number => figureOf(job, id);
export const round2 = (value: number): number => Math.round(value * 100) / 100;
/** Money that so many minutes cost. */
export const labour = (job: Job, minutes: number): number => (minutes / 60) * price(job, 'cost-hour');
