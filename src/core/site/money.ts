import type { Job } from '../job/job';
import { ruleSets } from '../standards/ruleSets';
import { formatMoney } from '../units/money';
import { answerOf } from './answers';

/** An amount in the money of the job. */
export const moneyOf = (job: Job, amount: number): string =>
  formatMoney(amount, answerOf(job, 'currency').trim(), ruleSets[job.rules].locale);
