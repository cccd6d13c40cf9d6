import { localeOf } from '../../../base/standards/countries';
import { formatMoney } from '../../../base/units/money';
import type { Job } from '../../../job/document/job';
import { answerOf } from './answers';

/** An amount in the money of the job. */
export const moneyOf = (job: Job, amount: number): string =>
  formatMoney(amount, answerOf(job, 'currency').trim(), localeOf(job));
