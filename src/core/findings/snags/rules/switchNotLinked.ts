import { commonPractice } from '../../../base/standards/source';
import { listed } from '../../../base/text/listed';
import { topologyOf } from '../../../trade/patching/uplinks/topology';
import { notJudged, type SnagRule } from '../snag';

export const switchNotLinked: SnagRule = {
  id: 'switch-not-linked',
  why: 'What is patched to a switch without a link to the gateway reaches neither the internet nor the other switches.',
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
    units: true,
  },
  find: ({ job }) => {
    const { gateway, switches } = topologyOf(job);
    const loose = switches.filter(({ downMbps, reachesGateway }) => !reachesGateway && downMbps > 0);
    if (loose.length === 0) return [];
    const gearIds = loose.map(({ gear }) => gear.id);
    const names = listed(loose.map(({ gear }) => gear.name));
    if (!gateway) return [notJudged({ gearIds }, names, 'the way to the internet', ['the router'])];
    const what = `${names} ${loose.length === 1 ? 'has' : 'have'} no link to ${gateway.name}: ${loose.length === 1 ? 'its' : 'their'} devices reach no internet.`;
    return [{ grade: 'wont-work', gearIds, what }];
  },
};
