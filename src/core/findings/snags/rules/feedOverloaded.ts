import { outletSource } from '../../../base/standards/outlets';
import { formatWatts } from '../../../base/units/power';
import { carriedLoad, feedsOf, unitLimitAmps, voltsOf } from '../../../trade/power/feeds';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const feedOverloaded: SnagRule = {
  id: 'feed-overloaded',
  why: 'A strip that carries too much trips or burns; a battery unit that does switches off, at the moment it is needed.',
  source: outletSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const feeds = feedsOf(job);
    return feeds.units.flatMap((gear): Finding[] => {
      const { w, va, unknown } = carriedLoad(feeds, gear, 'full');
      const least = unknown > 0 ? 'at least ' : '';
      const [limit, volts] = [unitLimitAmps(job, gear), voltsOf(job, null)];
      const { ratedW = null, ratedVa = null } = gear.battery ?? {};
      const over = [
        ...(ratedW !== null && w > ratedW ? [`${least}${formatWatts(w)} of ${formatWatts(ratedW)}`] : []),
        ...(ratedVa !== null && va > ratedVa ? [`${least}${Math.round(va)} VA of ${ratedVa} VA`] : []),
        ...(limit !== null && volts !== null && va / volts > limit
          ? [`${least}${(va / volts).toFixed(1)} A of the ${limit.toFixed(1)} A that its own plug carries continuously`]
          : []),
      ];
      if (over.length === 0) {
        const missing = [
          ...(unknown > 0 ? ['the draw of what is plugged into it'] : []),
          ...(volts === null || limit === null ? ['the rating of its inlet or the voltage'] : []),
          ...(gear.kind === 'ups' && (ratedW === null || ratedVa === null) ? ['its rating in W and VA'] : []),
        ];
        const loaded = (feeds.plugsInto.get(gear.id) ?? []).length > 0;
        return missing.length > 0 && loaded ? [notJudged({ gearIds: [gear.id] }, gear.name, 'load', missing)] : [];
      }
      return [{ grade: 'wont-work', gearIds: [gear.id], what: `${gear.name} is overloaded: ${over.join('; ')}.` }];
    });
  },
};
