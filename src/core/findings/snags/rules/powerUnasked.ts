import { published } from '../../../base/standards/source';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import { takesPower } from '../../../trade/power/poe';
import { unplugMend } from '../mends';
import type { SnagRule } from '../snag';

export const powerUnasked: SnagRule = {
  id: 'power-unasked',
  why: 'Power that is put on the pairs without asking can destroy what is not made for it. Only the device that it came with belongs there.',
  source: published('IEEE 802.3 clause 33: detection before power'),
  stations: ['patch'],
  reads: { gear: true, runs: ['id', 'label', 'device', 'poeW', 'poeClass'], landings: true, cords: true },
  find: ({ job }) =>
    patchedRuns(job).flatMap(({ run, cord, device }) =>
      device.powersUnasked
        ? {
            grade: takesPower(run) ? ('will-bite' as const) : ('wont-work' as const),
            runIds: [run.id],
            gearIds: [device.id],
            what: `${run.label} (${run.device || 'spare'}) hangs on ${device.name} port ${cord.switchPort}, which gives power without asking${takesPower(run) ? ': only a device that takes just that may hang there' : ', and takes none'}.`,
            mends: () => [unplugMend(run, cord)],
          }
        : [],
    ),
};
