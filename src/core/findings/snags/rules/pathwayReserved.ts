import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { runsThrough } from '../../../trade/runs/pathways/pathwayFigures';
import type { SnagRule } from '../snag';

export const pathwayReserved: SnagRule = {
  id: 'pathway-reserved',
  why: 'It was promised to someone else.',
  source: commonPractice,
  stations: ['runs'],
  reads: { runs: ['id', 'label'], pathways: true, passages: true },
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const runs = runsThrough(job, pathway.id).length;
      if (pathway.reservedFor === '' || runs === 0) return [];
      const what = `${pathway.name} is kept for ${pathway.reservedFor}, and ${counted(runs, 'run')} of this job ${runs === 1 ? 'is' : 'are'} planned through it.`;
      return { grade: 'will-bite' as const, rowIds: [pathway.id], what };
    }),
};
