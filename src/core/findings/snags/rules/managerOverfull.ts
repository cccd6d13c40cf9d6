import { cordHabits } from '../../../base/standards/cords';
import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { percent } from '../../../base/units/percent';
import { managerFills, managersWithoutRoom } from '../../../trade/patching/cordList';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const managerOverfull: SnagRule = {
  id: 'manager-overfull',
  why: 'Round cords leave gaps: a manager counted more than six tenths full does not close, and no cord comes out of it alone.',
  source: commonPractice,
  stations: ['patch', 'stack'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    networks: true,
    runs: ['id', 'label', 'device', 'poeW', 'poeClass', 'networkId'],
    landings: true,
    cords: true,
    answers: true,
    shelvings: true,
  },
  find: ({ job }) => [
    ...managersWithoutRoom(job).map(({ id, name }) =>
      notJudged({ gearIds: [id] }, name, 'fill', ['its room for cords']),
    ),
    ...managerFills(job).flatMap(({ manager, cords, usedMm2, roomMm2, share }): Finding[] => {
      if (share <= cordHabits.managerFull) return [];
      return [
        {
          grade: share > 1 ? 'wont-work' : 'will-bite',
          gearIds: [manager.id],
          what: `${manager.name} takes ${counted(cords, 'cord')} and is ${percent(usedMm2, roomMm2)} full.`,
        },
      ];
    }),
  ],
};
