import { practice } from '../../../base/standards/practice';
import { commonPractice } from '../../../base/standards/source';
import { percent } from '../../../base/units/percent';
import { indexJob } from '../../../job/document/jobIndex';
import { isUpright } from '../../../job/gear/body';
import { figureOf } from '../answers/answers';
import { grownNeed } from '../capacity';
import type { Adviser } from './advice';
import { price } from './figures';

const SIZES_U = [4, 6, 9, 12, 15, 18, 22, 27, 32, 37, 42, 47];
const DEPTHS_MM = [250, 300, 400, 450, 500, 600, 800, 1000];
/** Plugs and bends behind and before a device. Common practice. */
const PLUGS_MM = 90;

export const rackSizeAdvice: Adviser = (job) => {
  // What stands on shelves or hangs at the side takes no units.
  const { carrierOfGear } = indexJob(job);
  const gear = Object.values(job.gear).filter(
    (one) => one.frame !== 'free' && !isUpright(one) && !carrierOfGear.has(one.id),
  );
  if (gear.length === 0) return null;
  const units = gear.reduce((sum, one) => sum + one.heightU, 0);
  const deepest = gear.reduce((most, one) => (one.depthMm > most.depthMm ? one : most));
  const grown = grownNeed(units, figureOf(job, 'growth-percent'), figureOf(job, 'growth-years'));
  const sizeFor = (need: number) => SIZES_U.find((size) => size >= need) ?? Math.ceil(need);
  const [tight, roomy] = [sizeFor(units), sizeFor(grown / practice.fullShare)];
  const depthMm = DEPTHS_MM.find((depth) => depth >= deepest.depthMm + PLUGS_MM) ?? deepest.depthMm + PLUGS_MM;
  const option = (size: number, id: string, pros: string[], cons: string[]) => ({
    id,
    words: `${size} U, at least ${depthMm} mm deep`,
    money: size * price(job, 'cost-rack-unit'),
    minutes: 0,
    ports: 0,
    pros,
    cons,
  });
  return {
    id: 'rack-size',
    question: 'How many units, and how deep?',
    options: [
      option(
        roomy,
        'roomy',
        [
          `${units} U of gear now, ${grown.toFixed(1)} U in ${figureOf(job, 'growth-years')} years: still under ${percent(practice.fullShare)}.`,
          'Managers and blanks find their place.',
        ],
        ['It costs more, and it takes more wall.'],
      ),
      option(
        tight,
        'tight',
        [`Holds the ${units} U of today.`],
        [tight === units ? 'Full on the first day.' : `${tight - units} U free: the next device decides.`],
      ),
    ],
    suggested: 'roomy',
    why: `${deepest.name} is ${deepest.depthMm} mm deep and needs ${PLUGS_MM} mm more for plugs; what is bought just full is soon too small.`,
    source: commonPractice,
  };
};
