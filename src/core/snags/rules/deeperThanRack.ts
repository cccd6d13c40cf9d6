import { depthFault } from '../../rack/placeFault';
import { commonPractice } from '../../standards/source';
import type { SnagRule } from '../snag';

export const deeperThanRack: SnagRule = {
  id: 'deeper-than-rack',
  why: 'Its body meets the back before its ears meet the rails. Plugs and cord bends need still more room.',
  source: commonPractice,
  stations: ['stack'],
  find: (index) =>
    Object.values(index.job.placements).flatMap(({ gearId, rackId }) => {
      const [gear, rack] = [index.job.gear[gearId], index.job.racks[rackId]];
      const fault = gear && rack && depthFault(rack, gear, index.job.units);
      if (!fault) return [];
      return {
        grade: 'wont-work' as const,
        gearIds: [gear.id],
        what: fault.words,
        mends: () => [{ label: 'Take it out of the rack', commands: [{ type: 'liftGear', gearIds: [gear.id] }] }],
      };
    }),
};
