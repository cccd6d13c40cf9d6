import { commonPractice } from '../../../base/standards/source';
import { formatSpeed } from '../../../base/text/speed';
import { gatewayKeepsUp } from '../../../trade/patching/uplinks/gatewayWords';
import { topologyOf } from '../../../trade/patching/uplinks/topology';
import type { SnagRule } from '../snag';

/** Above so many to one an uplink is felt in an office. Common practice, no source. */
const MOST_TO_ONE = 48;

export const uplinkNarrow: SnagRule = {
  id: 'uplink-narrow',
  why: 'When many talk at once they share what goes up. Take a faster uplink, or a second one.',
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
    const topology = topologyOf(job);
    const { switches, gateway, gatewayMbps, internetMbps } = topology;
    const narrow = switches.flatMap(({ gear, downMbps, upMbps, ratio }) => {
      if (ratio === null || ratio <= MOST_TO_ONE) return [];
      const what = `${gear.name} has ${formatSpeed(downMbps)} below and ${formatSpeed(upMbps)} above: ${Math.round(ratio)} to 1.`;
      return [{ grade: 'could-be-neater' as const, gearIds: [gear.id], what }];
    });
    if (!gateway || gatewayMbps === 0 || gatewayKeepsUp(topology)) return narrow;
    const what = `The internet comes in at ${formatSpeed(internetMbps)}; ${gateway.name} hands on ${formatSpeed(gatewayMbps)} at most.`;
    return [...narrow, { grade: 'will-bite' as const, gearIds: [gateway.id], what }];
  },
};
