import { mainsLeastMm, separationSource } from '../../../base/standards/mainsSeparation';
import { ruleSets } from '../../../base/standards/ruleSets';
import { formatSize } from '../../../base/units/length';
import { pathwayFigures } from '../../../trade/runs/pathways/pathwayFigures';
import { PATHWAY_READS } from '../pathwayReads';
import type { SnagRule } from '../snag';

export const pathwayNearMains: SnagRule = {
  id: 'pathway-near-mains',
  why: 'Mains too near brings noise onto the link, and a fault brings mains onto the cable. Local code decides.',
  source: separationSource,
  stations: ['runs'],
  reads: PATHWAY_READS,
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const { mainsMm, mainsCircuits } = pathway;
      if (mainsMm === null) return [];
      const { separationMm, diametersMm } = pathwayFigures(job, pathway);
      if (diametersMm.length === 0 || mainsMm >= separationMm) return [];
      return {
        grade: 'will-bite' as const,
        rowIds: [pathway.id],
        what: `${pathway.name} lies ${formatSize(mainsMm, job.units)} from mains (${mainsCircuits} circuits); ${formatSize(separationMm, job.units)} is asked for.`,
        source: (separationMm <= mainsLeastMm ? ruleSets[job.rules].cites.mainsNear : null) ?? separationSource,
      };
    }),
};
