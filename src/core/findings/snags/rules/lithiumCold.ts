import { lithiumChargeSource, lithiumLeastChargeC } from '../../../base/standards/batteries';
import { figureOf } from '../../../trade/survey/answers/answers';
import { FEED_READS } from '../powerReads';
import type { SnagRule } from '../snag';

export const lithiumCold: SnagRule = {
  id: 'lithium-cold',
  why: 'Charging a lithium battery below freezing damages it, and can make it unsafe. Warm the place or use a battery made for it, by the maker’s instructions.',
  source: lithiumChargeSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job, gearInOrder }) => {
    const roomC = figureOf(job, 'room-c');
    if (roomC >= lithiumLeastChargeC) return [];
    return gearInOrder
      .filter(({ battery }) => battery?.chemistry === 'lithium')
      .map((gear) => ({
        grade: 'wont-work' as const,
        gearIds: [gear.id],
        what: `${gear.name} has a lithium battery and the room is at ${roomC} °C: it must not charge below ${lithiumLeastChargeC} °C.`,
      }));
  },
};
