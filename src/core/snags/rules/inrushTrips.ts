import { circuitFacts } from '../../power/circuitFacts';
import { breakerSource } from '../../standards/breakers';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

export const inrushTrips: SnagRule = {
  id: 'inrush-trips',
  why: 'When the mains return everything comes on at once, cold; the breaker may see a short circuit. Outlets that switch on one after the other help.',
  source: breakerSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    circuitFacts(job).flatMap(({ circuit, rushA, rushLimitA, inrushKnown, rush }): Finding[] => {
      if (rushLimitA === null || rushA <= rushLimitA) return [];
      const worst = rush.find(({ amps }) => amps === rushA);
      return [
        {
          grade: inrushKnown ? 'will-bite' : 'could-be-neater',
          rowIds: [circuit.id],
          what: `${worst?.gear.length ?? 0} supplies come on together on ${circuit.name}, up to ${Math.round(rushA)} A for some milliseconds${inrushKnown ? '' : ' by rule of thumb'}; its breaker may act from ${Math.round(rushLimitA)} A on.`,
        },
      ];
    }),
};
