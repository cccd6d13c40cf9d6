import { commonPractice } from '../../../base/standards/source';
import { atLeastWords } from '../../../base/units/atLeast';
import { formatMass } from '../../../base/units/force';
import { gearKg } from '../../../job/rack/space';
import type { SnagRule } from '../snag';

export const overloadedRack: SnagRule = {
  id: 'overloaded-rack',
  why: 'Above its maker’s rating a cabinet can tear from its wall. Keep to the rating, have the fixings checked for the wall, and lift heavy gear with two people.',
  source: commonPractice,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, shelvings: true, units: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack) => {
      if (rack.ratedLoadKg === null) return [];
      const massKg = gearKg(job, rack.id);
      if (massKg.sum <= rack.ratedLoadKg) return [];
      return {
        grade: 'wont-work' as const,
        rackIds: [rack.id],
        what: `${rack.name} carries ${atLeastWords(massKg, (kg) => formatMass(kg, job.units))} of gear and is rated for ${formatMass(rack.ratedLoadKg, job.units)}.`,
      };
    }),
};
