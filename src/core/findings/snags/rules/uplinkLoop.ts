import { published } from '../../../base/standards/source';
import { topologyOf } from '../../../trade/patching/uplinks/topology';
import type { SnagRule } from '../snag';

export const uplinkLoop: SnagRule = {
  id: 'uplink-loop',
  why: 'Frames go round a ring for ever and drown the network, unless every switch in it speaks a redundancy protocol.',
  source: published('IEEE 802.1D, 802.1Q: spanning tree'),
  stations: ['patch'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label'],
    landings: true,
    cords: true,
    answers: true,
    shelvings: true,
    units: true,
  },
  find: ({ job }) =>
    topologyOf(job).loops.flatMap(({ gear, guarded }) => {
      if (guarded) return [];
      const open = gear.filter((one) => !one.loopGuard).map((one) => one.name);
      return {
        grade: 'wont-work' as const,
        gearIds: gear.map((one) => one.id),
        what: `${gear.map((one) => one.name).join(', ')} form a ring, and ${open.join(', ')} ${open.length > 1 ? 'speak' : 'speaks'} no redundancy protocol.`,
      };
    }),
};
