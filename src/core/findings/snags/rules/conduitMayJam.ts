import { jamSource } from '../../../base/standards/pathwayRules';
import { formatSize } from '../../../base/units/length';
import { pathwayFigures } from '../../../trade/runs/pathways/pathwayFigures';
import { PATHWAY_READS } from '../pathwayReads';
import type { SnagRule } from '../snag';

export const conduitMayJam: SnagRule = {
  id: 'conduit-may-jam',
  why: 'Three cables of this width can slip side by side in a bend and lock. Lay one more in, or take the next size.',
  source: jamSource,
  stations: ['runs'],
  reads: PATHWAY_READS,
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const { jam, diametersMm } = pathwayFigures(job, pathway);
      if (!jam) return [];
      const what = `${pathway.name}: three cables of ${diametersMm[0]} mm in ${formatSize(pathway.widthMm, job.units)} tend to jam.`;
      return { grade: 'could-be-neater' as const, rowIds: [pathway.id], what };
    }),
};
