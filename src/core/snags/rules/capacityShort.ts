import { figureOf } from '../../site/answers';
import { commonPractice } from '../../standards/source';
import { capacities } from '../../survey/capacity';
import type { SnagRule } from '../snag';

const show = (value: number) => String(Math.round(value * 10) / 10);

export const capacityShort: SnagRule = {
  id: 'capacity-short',
  why: 'What is bought just full is too small before it is paid for. 80 % is where to look for more.',
  source: commonPractice,
  stations: ['survey'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label', 'room', 'outlet', 'carries', 'device', 'speedMbps', 'poeW', 'origin', 'scope'],
    answers: true,
  },
  find: ({ job }) => {
    const years = figureOf(job, 'growth-years');
    return capacities(job).flatMap(({ id, name, unit, has, used, reserved, grown, state, fullInYears }) => {
      if (state === 'enough') return [];
      const now = used + reserved > has + 1e-9;
      const when = now ? 'now' : fullInYears === null ? '' : `, full in ${fullInYears} years`;
      const what = now
        ? `${name}: ${show(used + reserved)} of ${show(has)} ${unit} are needed now.`
        : `${name}: ${show(used + reserved)} of ${show(has)} ${unit} now, ${show(grown)} in ${years} years${when}.`;
      return {
        grade: now ? ('will-bite' as const) : ('could-be-neater' as const),
        rowIds: [id],
        what,
      };
    });
  },
};
