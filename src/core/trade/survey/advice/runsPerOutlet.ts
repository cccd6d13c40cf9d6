import { commonPractice } from '../../../base/standards/source';
import { sameKey } from '../../../base/text/sameKey';
import type { Adviser } from './advice';
import { copperRuns, labour, metresOf, price, round2 } from './figures';

export const runsPerOutletAdvice: Adviser = (job) => {
  const runs = copperRuns(job).filter((run) => run.origin === 'new');
  const outlets = new Set(runs.map((run) => [run.floor, run.room, run.outlet || run.id].map(sameKey).join(':'))).size;
  if (outlets === 0) return null;
  const metres = metresOf(job, runs);
  if (metres === null) return null;
  const metresEach = metres / runs.length;
  const costs = (each: number) => {
    const minutes =
      outlets *
      (price(job, 'minutes-pull') +
        (each - 1) * price(job, 'minutes-pull-more') +
        each * 2 * price(job, 'minutes-jack'));
    const cable = outlets * each * metresEach * price(job, 'cost-6');
    const ports = outlets * each;
    return {
      money: round2(cable + ports * price(job, 'cost-keystone-port') + labour(job, minutes)),
      minutes: Math.round(minutes),
      ports,
    };
  };
  const later = price(job, 'minutes-pull') + price(job, 'minutes-making-good');
  return {
    id: 'runs-per-outlet',
    question: 'One, two or three runs to an outlet?',
    options: [1, 2, 3].map((each) => ({
      id: String(each),
      words: each === 1 ? 'One run' : `${each} runs`,
      ...costs(each),
      pros:
        each === 1
          ? ['Least cable and fewest ports.']
          : each === 2
            ? ['A second device needs no switch in the room.', 'A spare where one run fails.']
            : ['A television point with all its boxes.', 'Two spares.'],
      cons:
        each === 1
          ? [`A further run later costs about ${later} min, walls opened again.`]
          : each === 2
            ? ['Half of the jacks may stay empty for years.']
            : ['Panels fill three times as fast.'],
    })),
    suggested: '2',
    why: `Pulled together, the second run costs ${price(job, 'minutes-pull-more')} min more; pulled later it costs ${later} min.`,
    source: commonPractice,
  };
};
