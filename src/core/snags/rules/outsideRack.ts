import { outsideFault } from '../../rack/placeFault';
import { rackDimensionsSource } from '../../standards/rackDimensions';
import { moveGearMends } from '../mends';
import type { SnagRule } from '../snag';

export const outsideRack: SnagRule = {
  id: 'outside-rack',
  why: 'There are no rails to screw it to.',
  source: rackDimensionsSource,
  stations: ['stack'],
  find: (index) =>
    Object.values(index.job.placements).flatMap(({ gearId, rackId, bottomU }) => {
      const [gear, rack] = [index.job.gear[gearId], index.job.racks[rackId]];
      const fault = gear && rack && outsideFault(rack, gear, bottomU);
      if (!fault) return [];
      return {
        grade: 'wont-work' as const,
        gearIds: [gear.id],
        what: fault.words,
        mends: () => moveGearMends(index, rack, gear),
      };
    }),
};
