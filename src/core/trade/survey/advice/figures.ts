import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { QuestionId } from '../../../job/records/questions';
import { isNow, type Run } from '../../../job/records/run';
import { runLengthMm } from '../../runs/routeLength';
import { figureOf } from '../answers/answers';

/** Copper runs of this job. */
export const copperRuns = (job: Job): Run[] =>
  indexJob(job).runsInOrder.filter((run) => run.carries === 'ethernet' && isNow(run));

/** Metres of runs, those of unknown length taken as long as the others are on the mean; null: none is known. */
export function metresOf(job: Job, runs: readonly Run[]): number | null {
  const known = runs.flatMap((run) => runLengthMm(job, run) ?? []);
  if (known.length === 0) return null;
  return (known.reduce((sum, mm) => sum + mm, 0) / known.length / 1000) * runs.length;
}

export const price = (job: Job, id: QuestionId): number => figureOf(job, id);
export const round2 = (value: number): number => Math.round(value * 100) / 100;
/** Money that so many minutes cost. */
export const labour = (job: Job, minutes: number): number => (minutes / 60) * price(job, 'cost-hour');
