import { rideThroughMs, rideThroughSource } from '../../../base/standards/batteries';
import { unitFacts } from '../../../trade/power/batteries';
import { feedsOf } from '../../../trade/power/feeds';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

export const transferTooSlow: SnagRule = {
  id: 'transfer-too-slow',
  why: 'What a battery unit does not catch within what supplies ride through restarts with every flicker.',
  source: rideThroughSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    feedsOf(job)
      .units.filter(({ kind }) => kind === 'ups')
      .flatMap((gear): Finding[] => {
        const { transferMs } = unitFacts(job, gear, 25, null);
        if (transferMs === null || transferMs <= rideThroughMs) return [];
        return [
          {
            grade: 'will-bite',
            gearIds: [gear.id],
            what: `${gear.name} takes ${transferMs} ms to come over; supplies ride through ${rideThroughMs} ms.`,
          },
        ];
      }),
};
