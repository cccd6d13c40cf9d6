import { rackLoad } from '../../mounting/rackLoad';
import { placedIn } from '../../rack/space';
import { commonPractice } from '../../standards/source';
import { counted } from '../../text/counted';
import type { Finding, SnagRule } from '../snag';

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
        ...(rack.ratedLoadKg === null ? ['what it is rated to carry'] : []),
        ...(gearKg.unknown > 0 ? [`the mass of ${counted(gearKg.unknown, 'device')}`] : []),
        ...(onWall && !emptyKnown ? ['its own mass'] : []),
      ];
      if (missing.length === 0) return [];
      const grade = onWall ? ('will-bite' as const) : ('could-be-neater' as const);
      return [{ grade, rackIds: [rack.id], what: `Not known of ${rack.name}: ${missing.join(', ')}.` }];
    }),
};
