import { pathwayFigures } from '../../pathways/pathwayFigures';
import { mainsLeastMm, separationSource } from '../../standards/mainsSeparation';
import { ruleSets } from '../../standards/ruleSets';
import { formatSize } from '../../units/length';
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
