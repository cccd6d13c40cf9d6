import { practice } from '../../../base/standards/practice';
import { commonPractice } from '../../../base/standards/source';
import { percent } from '../../../base/units/percent';
import { freeUnits } from '../../../job/rack/units';
import type { SnagRule } from '../snag';

export const fewSpareUnits: SnagRule = {
  id: 'few-spare-units',
  why: 'The next device, or a manager to tidy the cords, will want a unit.',
  source: commonPractice,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack) => {
      const free = freeUnits(rack, Object.values(job.placements), job.gear).length;
      const used = rack.units - free;
      if (used < rack.units * practice.fullShare) return [];
      return {
        grade: free === 0 ? ('will-bite' as const) : ('could-be-neater' as const),
        rackIds: [rack.id],
        what: `${rack.name} has ${free === 0 ? 'no unit' : `${free} of ${rack.units} units`} free (${percent(used, rack.units)} used).`,
      };
    }),
};
