import { carriedBy } from '../../rack/space';
import { commonPractice } from '../../standards/source';
import { atLeast, atLeastWords } from '../../units/atLeast';
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
      const massKg = atLeast(carriedBy(job, carrier.id).map((gear) => gear.massKg));
      if (massKg.sum <= carrier.carriesKg) return [];
      return {
        grade: 'wont-work' as const,
        gearIds: [carrier.id],
        what: `${carrier.name} carries ${atLeastWords(massKg, (kg) => formatMass(kg, job.units))} and is rated for ${formatMass(carrier.carriesKg, job.units)}.`,
      };
    }),
};
