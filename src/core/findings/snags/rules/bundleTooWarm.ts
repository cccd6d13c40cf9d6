import { bundleRise, bundleRiseSource, bundleSource } from '../../../base/standards/bundleAmpacity';
import { counted } from '../../../base/text/counted';
import { pathwayHeats } from '../../../trade/runs/pathways/cableHeat';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const bundleTooWarm: SnagRule = {
  id: 'bundle-too-warm',
  why: 'Powered cables in one bundle warm each other beyond what their jackets and their reach allow.',
  source: bundleSource,
  stations: ['power', 'runs'],
  reads: {
    runs: ['id', 'label', 'carries', 'cable', 'lengthMm', 'scope', 'device', 'poeW', 'poeClass'],
    pathways: true,
    passages: true,
    cableKinds: true,
    answers: true,
  },
  find: ({ job }) =>
    pathwayHeats(job).flatMap((heat): Finding[] => {
      const { pathway, powered, amps, allowedA, asked, riseK, cableC, ratedC, split, awg, unknownW } = heat;
      const rowIds = [pathway.id];
      const apart = split === null ? '' : ` Split it into ${split} bundles, apart.`;
      const head = `${pathway.name}: ${counted(powered, 'powered cable')} of ${awg} AWG`;
      const bite = (what: string, source = bundleSource): Finding[] => [{ grade: 'will-bite', rowIds, what, source }];
      // The rating of a jacket holds at any current; the table of currents only above its least.
      if (cableC !== null && cableC > ratedC)
        return bite(`${head} at about ${Math.round(cableC)} °C; the cable is rated ${ratedC} °C.${apart}`);
      if (allowedA === null) return bite(`${head} in one bundle, more than the table of currents goes to.${apart}`);
      if (asked && amps > allowedA)
        return bite(`${head} at ${amps.toFixed(2)} A in a conductor; ${allowedA} A is allowed.${apart}`);
      if (riseK !== null && riseK > bundleRise.mostK)
        return bite(
          `${head} warm up by ${Math.round(riseK)} K; ${bundleRise.mostK} K is the advised limit.${apart}`,
          bundleRiseSource,
        );
      return unknownW > 0
        ? [notJudged({ rowIds }, pathway.name, 'bundle heat', [`the watts of ${counted(unknownW, 'powered device')}`])]
        : [];
    }),
};
