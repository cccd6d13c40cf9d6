import { bundleSource, mostInBundle } from '../../../base/standards/cableHandling';
import { isNow } from '../../../job/records/run';
import { takesPower } from '../../../trade/power/poe';
import { runsThrough } from '../../../trade/runs/pathways/pathwayFigures';
import type { SnagRule } from '../snag';

export const poweredTogether: SnagRule = {
  id: 'powered-together',
  why: 'Cables with power warm each other where they lie together; warm cable reaches less far and ages sooner.',
  source: bundleSource,
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'device', 'poeW', 'poeClass', 'scope'], pathways: true, passages: true },
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const powered = runsThrough(job, pathway.id).filter((run) => isNow(run) && takesPower(run)).length;
      if (powered <= mostInBundle) return [];
      const what = `${powered} cables with power lie together in ${pathway.name}; ${mostInBundle} or fewer are advised: part them.`;
      return { grade: 'will-bite' as const, rowIds: [pathway.id], what };
    }),
};
