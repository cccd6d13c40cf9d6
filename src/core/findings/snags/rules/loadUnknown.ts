import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { placedIn } from '../../../job/rack/space';
import { rackLoad } from '../../../trade/rack/mounting/rackLoad';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const loadUnknown: SnagRule = {
  id: 'load-unknown',
  why: 'What is not weighed cannot be said to be held: rating, wall and lifting are judged by mass.',
  source: commonPractice,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, shelvings: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      if (placedIn(job, rack.id).length === 0) return [];
      const { gearKg, emptyKnown } = rackLoad(job, rack);
      const onWall = rack.standing === 'wall';
      const missing = [
        ...(rack.ratedLoadKg === null ? ['its rated load'] : []),
        ...(gearKg.unknown > 0 ? [`the mass of ${counted(gearKg.unknown, 'device')}`] : []),
        ...(onWall && !emptyKnown ? ['its empty mass'] : []),
      ];
      if (missing.length === 0) return [];
      return [notJudged({ rackIds: [rack.id] }, rack.name, 'load', missing)];
    }),
};
