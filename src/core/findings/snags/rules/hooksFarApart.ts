import { supportRules, supportSource } from '../../../base/standards/pathwayRules';
import { formatLength } from '../../../base/units/length';
import type { SnagRule } from '../snag';

export const hooksFarApart: SnagRule = {
  id: 'hooks-far-apart',
  why: 'Cable sags between hooks, and its own weight bends it sharply over each.',
  source: supportSource,
  stations: ['runs'],
  reads: { pathways: true, units: true },
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const { kind, spacingMm, id, name } = pathway;
      if (kind !== 'hooks' || spacingMm === null || spacingMm <= supportRules.mostApartMm) return [];
      const [is, most] = [spacingMm, supportRules.mostApartMm].map((mm) => formatLength(mm, job.units));
      const changes = { spacingMm: supportRules.mostApartMm };
      return {
        grade: 'will-bite' as const,
        rowIds: [id],
        what: `${name} has a hook every ${is}; ${most} is the most.`,
        mends: () => [
          {
            label: `Plan a hook every ${most}`,
            commands: [{ type: 'editRows' as const, edits: [{ table: 'pathways' as const, id, changes }] }],
          },
        ],
      };
    }),
};
