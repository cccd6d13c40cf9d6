import { carriedBy } from '../../rack/space';
import { commonPractice } from '../../standards/source';
import { formatMass } from '../../units/force';
import type { SnagRule } from '../snag';

export const shelfOverloaded: SnagRule = {
  id: 'shelf-overloaded',
  why: 'A shelf fixed in front only bends down at the back. Its maker’s rating counts.',
  source: commonPractice,
  stations: ['stack'],
  reads: { gear: true, shelvings: true, units: true },
  find: ({ job }) =>
    Object.values(job.gear).flatMap((carrier) => {
      if (carrier.carriesKg === null) return [];
      const massKg = carriedBy(job, carrier.id).reduce((sum, gear) => sum + gear.massKg, 0);
      if (massKg <= carrier.carriesKg) return [];
      return {
        grade: 'will-bite' as const,
        gearIds: [carrier.id],
        what: `${carrier.name} carries ${formatMass(massKg, job.units)} and is rated for ${formatMass(carrier.carriesKg, job.units)}.`,
      };
    }),
};
