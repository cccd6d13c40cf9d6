import { commonPractice } from '../../../base/standards/source';
import { patchCordsOf } from '../../../job/document/cordKinds';
import { sharing } from '../../../job/document/keyMaps';
import { endKey, endsOf } from '../../../job/records/cord';
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
    const { job } = index;
    const patched = patchCordsOf(job);
    const ends = Object.values(job.cords).flatMap((cord) => endsOf(cord).map((end) => ({ cord, end })));
    return sharing(ends, ({ end }) => endKey(end)).flatMap((group): Finding[] => {
      const last = group.at(-1);
      if (!last) return [];
      const { gearId, port, side } = last.end;
      const runs = group.flatMap(({ cord }) => {
        const one = patched[cord.id];
        return one ? (runBehind(job, one) ?? []) : [];
      });
      const cord = patched[last.cord.id];
      const run = cord ? runBehind(job, cord) : null;
      return [
        {
          grade: 'wont-work',
          runIds: [...new Set(runs.map(({ id }) => id))],
          gearIds: [gearId],
          what: `${group.length} cords are plugged into ${side === 'rear' ? 'the rear of ' : ''}${job.gear[gearId]?.name} port ${port}.`,
          mends: () => [
            ...(run && cord && cord.switchId === gearId ? moveCordMend(job, run, cord) : []),
            unplugMend(run ?? null, last.cord),
          ],
        },
      ];
    });
  },
};
