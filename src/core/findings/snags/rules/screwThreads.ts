import { screwThreadSource } from '../../../base/standards/screwThreads';
import { placedIn } from '../../../job/rack/space';
import type { SnagRule } from '../snag';

export const screwThreads: SnagRule = {
  id: 'screw-threads',
  why: 'Screws of another thread start and then jam or strip. Put the ones that came with it away.',
  source: screwThreadSource,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack) => {
      const lower = rack.stackedOn === null ? undefined : job.racks[rack.stackedOn];
      const frames =
        lower && lower.thread !== rack.thread
          ? [
              {
                grade: 'could-be-neater' as const,
                rackIds: [rack.id, lower.id],
                what: `${rack.name} takes ${rack.thread} screws, ${lower.name} beneath it ${lower.thread}: keep them apart.`,
              },
            ]
          : [];
      const gear = placedIn(job, rack.id).filter(
        (one) => one.gear.screwThread !== null && one.gear.screwThread !== rack.thread,
      );
      return [
        ...frames,
        ...gear.map(({ gear: one }) => ({
          grade: 'could-be-neater' as const,
          gearIds: [one.id],
          rackIds: [rack.id],
          what: `${one.name} comes with ${one.screwThread} screws; ${rack.name} takes ${rack.thread}.`,
        })),
      ];
    }),
};
