import { commonPractice } from '../../../base/standards/source';
import { sharing } from '../../../job/document/keyMaps';
import { portKey } from '../../../job/records/portKey';
import { runBehind } from '../../../trade/patching/switchLoad';
import { moveCordMend, unplugMend } from '../mends';
import type { Finding, SnagRule } from '../snag';

export const cordInUsedPort: SnagRule = {
  id: 'cord-in-used-port',
  why: 'A port takes one plug.',
  source: commonPractice,
  stations: ['patch'],
  reads: { gear: true, cords: true },
  find: (index) => {
    const cords = Object.values(index.job.cords);
    const groups = [
      ...sharing(cords, (cord) => portKey(cord.switchId, cord.switchPort)).map((group) => ({
        group,
        side: 'switch' as const,
      })),
      ...sharing(cords, (cord) => portKey(cord.panelId, cord.panelPort)).map((group) => ({
        group,
        side: 'panel' as const,
      })),
    ];
    return groups.flatMap(({ group, side }): Finding[] => {
      const last = group.at(-1);
      const [first] = group;
      if (!first || !last) return [];
      const [gearId, port] = side === 'switch' ? [first.switchId, first.switchPort] : [first.panelId, first.panelPort];
      const run = runBehind(index.job, last);
      return [
        {
          grade: 'wont-work',
          runIds: [...new Set(group.flatMap((cord) => runBehind(index.job, cord)?.id ?? []))],
          gearIds: [gearId],
          what: `${group.length} cords are plugged into ${index.job.gear[gearId]?.name} port ${port}.`,
          mends: () => [...(run && side === 'switch' ? moveCordMend(index.job, run, last) : []), unplugMend(run, last)],
        },
      ];
    });
  },
};
