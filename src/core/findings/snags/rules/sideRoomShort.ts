import { commonPractice } from '../../../base/standards/source';
import { formatSize } from '../../../base/units/length';
import { percent } from '../../../base/units/percent';
import { runsDownSides, sideRoom } from '../../../trade/runs/pathways/sideRoom';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const sideRoomShort: SnagRule = {
  id: 'side-room-short',
  why: 'Cables pressed between rails and side cannot be drawn out, and a panel cannot be pulled forward.',
  source: commonPractice,
  stations: ['stack'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label', 'cable'],
    landings: true,
    cableKinds: true,
    units: true,
  },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      const rackIds = [rack.id];
      const room = sideRoom(job, rack);
      if (!room)
        return runsDownSides(job, rack).length === 0
          ? []
          : [notJudged({ rackIds }, rack.name, 'cables down its sides', ['the room beside its rails'])];
      if (room.share <= 1) return [];
      return [
        {
          grade: 'will-bite',
          rackIds,
          what: `${room.cables} cables go down each side of ${rack.name}: they fill ${percent(room.share, 1)} of what ${formatSize(room.roomMm, job.units)} can take.`,
        },
      ];
    }),
};
