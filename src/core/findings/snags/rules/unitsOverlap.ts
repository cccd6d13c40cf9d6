import { rackDimensionsSource } from '../../../base/standards/rackDimensions';
import { overlaps } from '../../../job/rack/overlaps';
import { moveGearMends } from '../mends';
import type { SnagRule } from '../snag';

export const unitsOverlap: SnagRule = {
  id: 'units-overlap',
  why: 'A rack unit holds one device: the second one cannot be screwed in.',
  source: rackDimensionsSource,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true },
  find: (index) =>
    overlaps(index.job).flatMap(([low, high]) => {
      const [lower, upper] = [index.job.gear[low.gearId], index.job.gear[high.gearId]];
      const rack = index.job.racks[low.rackId];
      if (!lower || !upper || !rack) return [];
      return {
        grade: 'wont-work' as const,
        gearIds: [lower.id, upper.id],
        what: `${upper.name} and ${lower.name} share units of ${rack.name}.`,
        mends: () => moveGearMends(index.job, rack, upper),
      };
    }),
};
