import { commonPractice } from '../../../base/standards/source';
import { atLeast, atLeastWords } from '../../../base/units/atLeast';
import { formatMass } from '../../../base/units/force';
import { rackFigures } from '../../../job/rack/figures';
import { answerOf } from '../answers/answers';
import type { AdviceOption, Adviser } from './advice';
import { price } from './figures';

/** What a bracket on the wall is commonly trusted with. */
const BRACKET_UNITS = 6;
const BRACKET_KG = 15;
const WALL_KG = 60;

export const rackTypeAdvice: Adviser = (job) => {
  const gear = Object.values(job.gear);
  if (gear.length === 0) return null;
  const units = gear.reduce((sum, one) => sum + one.heightU, 0);
  const mass = atLeast(gear.map((one) => one.massKg));
  const massKg = mass.sum;
  const closed =
    answerOf(job, 'dust') === 'yes' || answerOf(job, 'quiet') === 'yes' || answerOf(job, 'public') === 'yes';
  const small = units <= BRACKET_UNITS && massKg <= BRACKET_KG && mass.unknown === 0;
  const heavy = massKg > WALL_KG;
  const money = price(job, 'cost-rack-unit') * units;
  const option = (id: string, words: string, factor: number, pros: string[], cons: string[]): AdviceOption => ({
    id,
    words,
    money: Math.round(money * factor),
    minutes: id === 'desk' ? 10 : id === 'bracket' ? 30 : 60,
    ports: 0,
    pros,
    cons,
  });
  const { ratedLoadKg } = rackFigures(job);
  const load = `${atLeastWords(mass, (kg) => formatMass(kg, job.units))} of gear`;
  const suggested = closed ? 'enclosed' : small ? 'bracket' : heavy ? 'frame' : 'enclosed';
  return {
    id: 'rack-type',
    question: 'Which kind of rack?',
    options: [
      option(
        'bracket',
        'Wall bracket',
        0.3,
        [`Cheapest for ${units} U.`, 'Everything can be reached.'],
        [
          ...(units > BRACKET_UNITS
            ? [`${units} U are more than the ${BRACKET_UNITS} it is commonly trusted with.`]
            : []),
          ...(massKg > BRACKET_KG ? [`${load} are more than ${formatMass(BRACKET_KG, job.units)}.`] : []),
          'No door: dust, noise and hands reach the gear.',
        ],
      ),
      option(
        'frame',
        'Open frame on the floor',
        0.7,
        ['Carries the most.', 'Cool: nothing is shut in.'],
        ['It takes floor, and it is to be fixed against tipping.', 'No door: dust, noise and hands reach the gear.'],
      ),
      option(
        'enclosed',
        'Enclosed cabinet',
        1,
        ['A door against dust, noise and hands.', 'Doors and sides come off to work.'],
        [
          'Heat stays in: fans or vents may be needed.',
          ...(heavy ? [`${load}: on a wall only by the maker’s load figure and sound fixings.`] : []),
        ],
      ),
      option(
        'desk',
        'Desk-size frame',
        0.4,
        ['Nothing to hang.'],
        [...(units > 8 ? [`${units} U are more than the 8 it commonly has.`] : []), 'Cables hang free behind it.'],
      ),
    ],
    suggested,
    why: closed
      ? 'Dust, noise or strangers at the place ask for a door.'
      : small
        ? `${units} U and ${load} are little.`
        : heavy
          ? `${load} are much for a wall${ratedLoadKg === null ? '' : ` (the rack here is rated ${formatMass(ratedLoadKg, job.units)})`}.`
          : `${units} U and ${load} go into a cabinet on the wall.`,
    source: commonPractice,
  };
};
