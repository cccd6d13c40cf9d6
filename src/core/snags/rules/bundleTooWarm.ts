import { pathwayHeats } from '../../pathways/cableHeat';
import { bundleSource } from '../../standards/bundleAmpacity';
import type { Finding, SnagRule } from '../snag';

export const bundleTooWarm: SnagRule = {
  id: 'bundle-too-warm',
  why: 'Powered cables in one bundle warm each other beyond what their jackets and their reach allow.',
  source: bundleSource,
  stations: ['power', 'runs'],
  reads: {
    runs: ['id', 'label', 'carries', 'cable', 'lengthMm', 'scope', 'poeW', 'poeClass'],
    pathways: true,
    passages: true,
    cableKinds: true,
    answers: true,
  },
  find: ({ job }) =>
    pathwayHeats(job).flatMap(({ pathway, powered, amps, allowedA, asked, cableC, ratedC, split, awg }): Finding[] => {
      const over = allowedA !== null && amps > allowedA;
      if (!asked || (!over && (cableC === null || cableC <= ratedC))) return [];
      return [
        {
          grade: 'will-bite',
          rowIds: [pathway.id],
          what: `${powered} powered cables of ${awg} AWG lie in ${pathway.name}: ${amps.toFixed(2)} A in a conductor${allowedA === null ? '' : `, ${allowedA} A allowed`}${cableC === null ? '' : `, about ${Math.round(cableC)} °C`}.${split === null ? '' : ` In ${split} bundles apart they are within the table.`}`,
        },
      ];
    }),
};
