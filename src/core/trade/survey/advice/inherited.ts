import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { indexJob } from '../../../job/document/jobIndex';
import { cableCategory } from '../../runs/cableCategory';
import { tailShortfall } from '../../runs/tailReach';
import { answerOf } from '../answers/answers';
import type { Adviser } from './advice';
import { labour, metresOf, price, round2 } from './figures';

export const inheritedAdvice: Adviser = (job) => {
  const found = Object.values(job.runs).filter((run) => run.origin === 'found');
  if (found.length === 0) return null;
  const index = indexJob(job);
  const short = found.filter((run) => (tailShortfall(index.job, run)?.missingMm ?? 0) > 0);
  const low = found.filter((run) => run.carries === 'ethernet' && cableCategory(run.cable) === null);
  const tested = answerOf(job, 'inherited-tested');
  const pull = found.length * (price(job, 'minutes-pull') + 2 * price(job, 'minutes-jack'));
  const known = metresOf(job, found);
  const metres = known ?? found.length * 20;
  const keepMinutes = found.length * price(job, 'minutes-jack') + short.length * price(job, 'minutes-coupler') * 2;
  const sound = short.length + low.length < found.length / 2;
  return {
    id: 'inherited',
    question: `Keep the ${counted(found.length, 'cable')} that are there?`,
    options: [
      {
        id: 'keep',
        words: 'Keep and test them',
        money: round2(labour(job, keepMinutes) + short.length * price(job, 'cost-coupler-port')),
        minutes: keepMinutes,
        ports: found.length,
        pros: [`${Math.round(pull)} min of pulling are saved.`, 'No walls opened.'],
        cons: [
          ...(short.length > 0
            ? [`${counted(short.length, 'tail')} too short: moved panel, coupler, or a joint that is noted.`]
            : []),
          ...(low.length > 0 ? [`${counted(low.length, 'cable')} of no known category.`] : []),
          ...(tested === 'yes' ? [] : ['They were never shown to be sound: test each before it is landed.']),
        ],
      },
      {
        id: 'replace',
        words: 'Pull new ones',
        money: round2(labour(job, pull) + metres * price(job, 'cost-6')),
        minutes: pull,
        ports: found.length,
        pros: ['Known category, known path, tails as long as wanted.'],
        cons: [
          'Old cables may be stapled: they can rarely be used to draw new ones.',
          ...(known !== null ? [] : ['Lengths are not known: 20 m each were assumed.']),
        ],
      },
    ],
    suggested: sound ? 'keep' : 'replace',
    why: sound
      ? `${found.length - short.length - low.length} of ${found.length} reach the cabinet and are of a known category.`
      : `${short.length + low.length} of ${found.length} are too short or of no known category.`,
    source: commonPractice,
  };
};
