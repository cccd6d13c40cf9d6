import { poeSource } from '../../../base/standards/poeClasses';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import { poeClassOf, portWattsOf } from '../../../trade/power/poe';
import { moveCordMend, unplugMend } from '../mends';
import type { SnagRule } from '../snag';

export const poePortTooWeak: SnagRule = {
  id: 'poe-port-too-weak',
  why: 'The device stays dark, or restarts when it needs its full power.',
  source: poeSource,
  stations: ['patch'],
  reads: { gear: true, runs: ['id', 'label', 'device', 'poeW', 'poeClass'], landings: true, cords: true },
  find: (index) =>
    patchedRuns(index.job).flatMap(({ run, cord, device, port }) => {
      const needW = portWattsOf(run);
      if (needW <= port.poeW) return [];
      const row = poeClassOf(run);
      const need =
        row === 'beyond' || row === null
          ? `${run.poeW} W, more than any class carries`
          : `class ${row.class}, ${row.pseW} W from its port`;
      const has = port.poeW > 0 ? `supplies ${port.poeW} W` : 'supplies none';
      return {
        grade: 'wont-work' as const,
        runIds: [run.id],
        gearIds: [device.id],
        what: `${run.label} (${run.device || 'spare'}) needs ${need}; ${device.name} port ${cord.switchPort} ${has}.`,
        mends: () => [...moveCordMend(index.job, run, cord), unplugMend(run, cord)],
      };
    }),
};
