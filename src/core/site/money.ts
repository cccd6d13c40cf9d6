import type { Job } from '../job/job';
import { localeOf } from '../standards/countries';
import { formatMoney } from '../units/money';
import { answerOf } from './answers';

/** An amount in the money of the job. */
export const moneyOf = (job: Job, amount: number): string =>
  formatMoney(amount, answerOf(job, 'currency').trim(), localeOf(job));
