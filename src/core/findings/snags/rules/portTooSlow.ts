import { published } from '../../../base/standards/source';
import { formatSpeed } from '../../../base/text/speed';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import { moveCordMend, unplugMend } from '../mends';
import type { SnagRule } from '../snag';

export const portTooSlow: SnagRule = {
  id: 'port-too-slow',
  why: 'Both ends of a link agree on the slower speed (auto-negotiation).',
  source: published('IEEE 802.3 clause 28'),
  stations: ['patch'],
  reads: { gear: true, runs: ['id', 'label', 'speedMbps'], landings: true, cords: true },
  find: (index) =>
    patchedRuns(index.job).flatMap(({ run, cord, device, port }) => {
      if (run.speedMbps === null || port.speedMbps === null || run.speedMbps <= port.speedMbps) return [];
      return {
        grade: 'will-bite' as const,
        runIds: [run.id],
        gearIds: [device.id],
        what: `${run.label} wants ${formatSpeed(run.speedMbps)}; ${device.name} port ${cord.switchPort} does ${formatSpeed(port.speedMbps)}.`,
        mends: () => [...moveCordMend(index.job, run, cord), unplugMend(run, cord)],
      };
    }),
};
