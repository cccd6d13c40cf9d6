import { commonPractice } from '../../../base/standards/source';
import { formatSize } from '../../../base/units/length';
import { bodyWidthMm, isUpright } from '../../../job/gear/body';
import { placedIn } from '../../../job/rack/space';
import type { SnagRule } from '../snag';

export const uprightTooWide: SnagRule = {
  id: 'upright-too-wide',
  why: 'It stands between the rails and the side: what is too wide there is in the way of every device.',
  source: commonPractice,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, units: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack) =>
      placedIn(job, rack.id).flatMap(({ gear }) => {
        const room = rack.sideRoomMm;
        if (!isUpright(gear) || room === null || bodyWidthMm(gear) <= room) return [];
        const size = (mm: number) => formatSize(mm, job.units);
        return {
          grade: 'wont-work' as const,
          gearIds: [gear.id],
          what: `${gear.name} is ${size(bodyWidthMm(gear))} wide; between rails and side ${rack.name} has ${size(room)}.`,
          mends: () => [{ label: 'Take it out of the rack', commands: [{ type: 'liftGear', gearIds: [gear.id] }] }],
        };
      }),
    ),
};
