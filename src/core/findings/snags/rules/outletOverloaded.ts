import { outletSource } from '../../../base/standards/outlets';
import { outletLoads, twinPlateA, twinPlates } from '../../../trade/power/outletLoads';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

const a = (value: number) => `${Math.round(value * 10) / 10} A`;

export const outletOverloaded: SnagRule = {
  id: 'outlet-overloaded',
  why: 'An outlet that carries more than it is rated for overheats at its contacts.',
  source: outletSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => [
    ...outletLoads(job).flatMap(({ plug, gear, where, amps, limitA }): Finding[] => {
      if (amps === null || limitA === null) {
        // A small device on an outlet of any kind needs no figure: what is not known of it is listed with the device.
        const missing = [
          ...(amps === null ? ['its draw'] : []),
          ...(limitA === null ? ['the kind of its outlet'] : []),
        ];
        return [notJudged({ gearIds: [gear.id] }, gear.name, 'outlet load', missing)];
      }
      return amps <= limitA
        ? []
        : [
            {
              grade: 'wont-work',
              gearIds: [gear.id],
              rowIds: [plug.id],
              what: `${where}: ${gear.name} draws ${a(amps)}; the outlet carries ${a(limitA)}.`,
            },
          ];
    }),
    ...twinPlates(job).flatMap(({ wallId, name, amps }): Finding[] =>
      amps !== null && amps > twinPlateA
        ? [
            {
              grade: 'will-bite',
              rowIds: [wallId],
              what: `${name}: ${a(amps)} on a twin outlet; ${twinPlateA} A is the most for both.`,
            },
          ]
        : [],
    ),
  ],
};
