import { commonPractice } from '../../../base/standards/source';
import { listed } from '../../../base/text/listed';
import { batteryAbove, feedsOf, inletsPlugged } from '../../../trade/power/feeds';
import { FEED_READS } from '../powerReads';
import type { SnagRule } from '../snag';

export const staysWithoutBattery: SnagRule = {
  id: 'stays-without-battery',
  why: 'What must stay on goes dark with the first flicker of the mains.',
  source: commonPractice,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const feeds = feedsOf(job);
    const bare = feeds.consumers.filter((gear) => {
      if (gear.inOutage !== 'stays') return false;
      const inlets = inletsPlugged(feeds, gear);
      return inlets.length > 0 && inlets.every((inlet) => batteryAbove(feeds, gear.id, inlet) === null);
    });
    if (bare.length === 0) return [];
    return [
      {
        grade: 'will-bite',
        gearIds: bare.map(({ id }) => id),
        what: `${listed(bare.map(({ name }) => name))} must stay on and ${bare.length === 1 ? 'is' : 'are'} behind no battery.`,
      },
    ];
  },
};
