import { commonPractice } from '../../../base/standards/source';
import { formatMass } from '../../../base/units/force';
import { placedIn } from '../../../job/rack/space';
import { unitName } from '../../../job/rack/units';
import type { SnagRule } from '../snag';

/** Heavy enough to be kept low, kilograms. Common practice, no source. */
const HEAVY_KG = 10;

export const heavyHigh: SnagRule = {
  id: 'heavy-high',
  why: 'Weight high up makes a cabinet tip, and is lifted above the shoulders. Keep it low.',
  source: commonPractice,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, units: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack) =>
      placedIn(job, rack.id).flatMap(({ gear, placement }) => {
        const middle = placement.bottomU - 1 + gear.heightU / 2;
        if (gear.massKg === null || gear.massKg < HEAVY_KG || middle <= rack.units / 2) return [];
        const what = `${gear.name}, ${formatMass(gear.massKg, job.units)}, stands in ${unitName(rack, placement.bottomU, gear.heightU)}: in the upper half of ${rack.name}.`;
        return {
          grade: rack.standing === 'wall' ? ('could-be-neater' as const) : ('will-bite' as const),
          gearIds: [gear.id],
          rackIds: [rack.id],
          what,
        };
      }),
    ),
};
