import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { atLeast, atLeastWords } from '../../../base/units/atLeast';
import { formatMass } from '../../../base/units/force';
import { carriedBy } from '../../../job/rack/space';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const shelfOverloaded: SnagRule = {
  id: 'shelf-overloaded',
  why: 'A shelf fixed in front only bends down at the back. Its maker’s rating counts.',
  source: commonPractice,
  stations: ['stack'],
  reads: { gear: true, shelvings: true, units: true },
  find: ({ job }) =>
    Object.values(job.gear).flatMap((carrier): Finding[] => {
      const carried = carriedBy(job, carrier.id);
      if (carried.length === 0) return [];
      const gearIds = [carrier.id];
      const massKg = atLeast(carried.map((gear) => gear.massKg));
      if (carrier.carriesKg !== null && massKg.sum > carrier.carriesKg)
        return [
          {
            grade: 'wont-work',
            gearIds,
            what: `${carrier.name} carries ${atLeastWords(massKg, (kg) => formatMass(kg, job.units))} and is rated for ${formatMass(carrier.carriesKg, job.units)}.`,
          },
        ];
      const missing = [
        ...(carrier.carriesKg === null ? ['what it is rated to carry'] : []),
        ...(massKg.unknown > 0 ? [`the mass of ${counted(massKg.unknown, 'device')} on it`] : []),
      ];
      return missing.length === 0 ? [] : [notJudged({ gearIds }, carrier.name, 'load', missing)];
    }),
};
