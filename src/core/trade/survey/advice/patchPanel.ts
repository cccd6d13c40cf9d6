import { commonPractice } from '../../../base/standards/source';
import { figureOf } from '../answers/answers';
import { grownNeed } from '../capacity';
import type { Adviser } from './advice';
import { copperRuns, labour, price, round2 } from './figures';

/** Up to so many runs, plugs straight into the switch do. Common practice. */
const FEW = 6;

export const patchPanelAdvice: Adviser = (job) => {
  const runs = copperRuns(job).length;
  if (runs === 0) return null;
  const grown = Math.ceil(grownNeed(runs, figureOf(job, 'growth-percent'), figureOf(job, 'growth-years')) - 1e-9);
  const jackMinutes = runs * price(job, 'minutes-jack');
  const plugMinutes = runs * price(job, 'minutes-plug');
  const yes = runs > FEW;
  return {
    id: 'patch-panel',
    question: 'A patch panel, or plugs on the cables?',
    options: [
      {
        id: 'panel',
        words: 'Patch panel',
        money: round2(grown * price(job, 'cost-keystone-port') + labour(job, jackMinutes)),
        minutes: jackMinutes,
        ports: grown,
        pros: [
          'Solid cable stays still: only cords are moved.',
          `Every one of ${runs} runs can be tested on its own, used or not.`,
          'A change takes seconds at the front.',
        ],
        cons: ['One connection more in each channel.', 'It takes rack units.'],
      },
      {
        id: 'plugs',
        words: 'Plugs straight into the switch',
        money: round2(runs * price(job, 'cost-plug') + labour(job, plugMinutes)),
        minutes: plugMinutes,
        ports: 0,
        pros: ['Cheapest for a handful of runs.', 'No rack units.'],
        cons: [
          'Solid conductors break at the plug when moved.',
          'A cable that was cut for one port hardly reaches another.',
        ],
      },
    ],
    suggested: yes ? 'panel' : 'plugs',
    why: yes ? `${runs} runs are more than ${FEW}.` : `${runs} runs are no more than ${FEW}.`,
    source: commonPractice,
  };
};
