import { conduitWords } from '../../../base/standards/conduits';
import { fillShares, fillSource } from '../../../base/standards/pathwayRules';
import { commonPractice } from '../../../base/standards/source';
import { formatSize } from '../../../base/units/length';
import { percent } from '../../../base/units/percent';
import { pathwayFigures } from '../../../trade/runs/pathways/pathwayFigures';
import { PATHWAY_READS } from '../pathwayReads';
import type { Mend, SnagRule } from '../snag';

export const pathwayOverfull: SnagRule = {
  id: 'pathway-overfull',
  why: 'Cables jam, are pulled too hard, and nothing can be added or taken out.',
  source: fillSource,
  stations: ['runs'],
  reads: PATHWAY_READS,
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const figures = pathwayFigures(job, pathway);
      const { fill, allowance, fits, bundle, roundMm, next, diametersMm } = figures;
      if (diametersMm.length === 0) return [];
      const rowIds = [pathway.id];
      const mends = (): Mend[] => {
        if (!next) return [];
        const record = { ...pathway, widthMm: next.insideMm };
        const rows = [{ table: 'pathways' as const, record }];
        return [{ label: `Plan ${conduitWords(next)}`, commands: [{ type: 'keepRows', rows }] }];
      };
      if (!fits) {
        const what =
          pathway.heightMm === null
            ? `${pathway.name}: ${diametersMm.length} cables make a bundle of ${formatSize(Math.ceil(roundMm * 10) / 10, job.units)}, and it is ${formatSize(pathway.widthMm, job.units)} wide.`
            : `${pathway.name}: the cables take ${percent(fill)} of the room there is.`;
        return { grade: 'wont-work' as const, rowIds, what, source: bundle.source, mends };
      }
      const measured = pathway.kind !== 'hooks' && pathway.kind !== 'hole';
      if (measured && fill > allowance.share + 1e-9) {
        const what = `${pathway.name} is filled to ${percent(fill)} by ${diametersMm.length} cables; ${percent(allowance.share)} is the most.`;
        return { grade: 'will-bite' as const, rowIds, what, source: allowance.source, mends };
      }
      if (pathway.kind === 'tray' && fill > fillShares.tray.planned) {
        const what = `${pathway.name} is filled to ${percent(fill)}; trays are planned to ${percent(fillShares.tray.planned)}, so that there is room to add.`;
        return { grade: 'could-be-neater' as const, rowIds, what, source: allowance.source ?? commonPractice };
      }
      return [];
    }),
};
