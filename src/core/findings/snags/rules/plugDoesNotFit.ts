import { outletSource } from '../../../base/standards/outlets';
import { outletsOf } from '../../../job/records/mainsSockets';
import { wallOutletsOf } from '../../../trade/power/feeds';
import { plugFit } from '../../../trade/power/plugFit';
import type { Finding, SnagRule } from '../snag';

export const plugDoesNotFit: SnagRule = {
  id: 'plug-does-not-fit',
  why: 'A plug that does not fit is discovered when everything is bolted down. Do not rely on adapters in a cabinet.',
  source: outletSource,
  stations: ['power'],
  reads: { gear: true, plugs: true, wallOutlets: true, rules: true },
  find: ({ job }) =>
    Object.values(job.plugs).flatMap((plug): Finding[] => {
      const gear = job.gear[plug.gearId];
      const feed = plug.feedId === null ? null : job.gear[plug.feedId];
      const wall = plug.wallId === null ? undefined : job.wallOutlets[plug.wallId];
      const outlet = feed ? outletsOf(feed)[plug.outlet - 1] : wall && wallOutletsOf(wall)[plug.outlet - 1];
      if (!gear || !outlet) return [];
      const fit = plugFit(job, gear, feed ?? null, outlet);
      if (fit.fits !== 'no') return [];
      return [
        {
          grade: 'wont-work',
          gearIds: [gear.id],
          rowIds: [plug.id],
          what: `${fit.words}: outlet ${plug.outlet} of ${feed?.name ?? wall?.name}.`,
          mends: () => [{ label: 'Pull its plug', commands: [{ type: 'dropRows', table: 'plugs', ids: [plug.id] }] }],
        },
      ];
    }),
};
