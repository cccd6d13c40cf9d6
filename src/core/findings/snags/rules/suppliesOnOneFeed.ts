import { twoFeedSource } from '../../../base/standards/supplies';
import { batteryAbove, circuitAbove, feedsOf, inletsPlugged } from '../../../trade/power/feeds';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

export const suppliesOnOneFeed: SnagRule = {
  id: 'supplies-on-one-feed',
  why: 'Two supplies help only when one of them still has power.',
  source: twoFeedSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const feeds = feedsOf(job);
    return feeds.consumers.flatMap((gear): Finding[] => {
      const inlets = inletsPlugged(feeds, gear);
      if (inlets.length < 2) return [];
      const above = inlets.map((inlet) => {
        const battery = batteryAbove(feeds, gear.id, inlet);
        return battery ? `battery ${battery.id}` : circuitAbove(feeds, gear.id, inlet);
      });
      if (above.includes(null) || new Set(above).size > 1) return [];
      const battery = batteryAbove(feeds, gear.id, inlets[0] ?? 1);
      const circuit = job.circuits[circuitAbove(feeds, gear.id, inlets[0] ?? 1) ?? ''];
      return [
        {
          grade: 'will-bite',
          gearIds: [gear.id],
          what: `All supplies of ${gear.name} hang on ${battery ? battery.name : `the circuit ${circuit?.name}`}.`,
        },
      ];
    });
  },
};
