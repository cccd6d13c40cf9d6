import { commonPractice } from '../../../base/standards/source';
import { figureOf } from '../answers/answers';
import { grownNeed } from '../capacity';
import type { Adviser } from './advice';
import { copperRuns, labour, price, round2 } from './figures';

export const panelKindAdvice: Adviser = (job) => {
  const runs = copperRuns(job);
  if (runs.length === 0) return null;
  const count = runs.length;
  const ports = Math.ceil(grownNeed(count, figureOf(job, 'growth-percent'), figureOf(job, 'growth-years')) - 1e-9);
  const others = Object.values(job.runs).filter((run) => run.carries !== 'ethernet').length;
  const found = runs.filter((run) => run.origin === 'found').length;
  const of = (
    perPort: 'cost-punch-port' | 'cost-keystone-port' | 'cost-coupler-port',
    each: 'minutes-jack' | 'minutes-coupler',
  ) => {
    const minutes = count * price(job, each);
    const cost = perPort === 'cost-punch-port' ? price(job, 'cost-panel-port') : price(job, perPort);
    return { money: round2(ports * cost + labour(job, minutes)), minutes, ports };
  };
  return {
    id: 'panel-kind',
    question: 'Punch-down, keystone or coupler panel?',
    options: [
      {
        id: 'keystone',
        words: 'Keystone panel',
        ...of('cost-keystone-port', 'minutes-jack'),
        pros: [
          'Jacks are ended in the hand and snapped in.',
          'One bad jack is one jack.',
          ...(others > 0 ? [`The ${others} runs that are not copper data share the panel.`] : []),
        ],
        cons: ['More parts to buy.'],
      },
      {
        id: 'punch-down',
        words: 'Punch-down panel',
        ...of('cost-punch-port', 'minutes-jack'),
        pros: ['Cheapest a port.', 'Sturdy once it is done.'],
        cons: ['A run that moves is cut and punched anew: minutes, and cable.', 'Only copper data lands on it.'],
      },
      {
        id: 'coupler',
        words: 'Coupler panel, plugs on the cables',
        ...of('cost-coupler-port', 'minutes-coupler'),
        pros: [
          'Runs change places without tools.',
          ...(found > 0 ? [`${found} found runs may have plugs already.`] : []),
        ],
        cons: ['One connection more.', 'Plugs on solid cable are the weakest joint.'],
      },
    ],
    suggested: others > 0 || found > 0 || count <= 48 ? 'keystone' : 'punch-down',
    why:
      others > 0 || found > 0
        ? 'Kinds of runs are mixed here, and some may still move.'
        : count <= 48
          ? `At ${count} runs the price of the jacks weighs less than the ease of change.`
          : `At ${count} runs of one kind the price a port decides.`,
    source: commonPractice,
  };
};
