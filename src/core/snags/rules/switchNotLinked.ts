import { isSwitching } from '../../records/ports';
import { commonPractice } from '../../standards/source';
import { listed } from '../../text/listed';
import { topologyOf } from '../../uplinks/topology';
import { listUplinks } from '../../uplinks/uplinkFacts';
import type { SnagRule } from '../snag';

export const switchNotLinked: SnagRule = {
  id: 'switch-not-linked',
  why: 'What is patched to a switch without a way to the gateway reaches neither the internet nor the other switches.',
  source: commonPractice,
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
    uplinks: true,
    units: true,
  },
  find: ({ job }) => {
    const { gateway, switches } = topologyOf(job);
    if (!gateway) return [];
    // While no uplink is planned at all, that is a step to come, not a fault.
    const planned = listUplinks(job).some(({ from, to }) => isSwitching(from) && isSwitching(to));
    const grade = planned ? ('will-bite' as const) : ('could-be-neater' as const);
    const loose = switches.filter(({ downMbps, reachesGateway }) => !reachesGateway && downMbps > 0);
    if (loose.length === 0) return [];
    const names = listed(loose.map(({ gear }) => gear.name));
    const what = `${names} ${loose.length === 1 ? 'has' : 'have'} something patched and no uplink that leads to ${gateway.name}.`;
    return [{ grade, gearIds: loose.map(({ gear }) => gear.id), what }];
  },
};
