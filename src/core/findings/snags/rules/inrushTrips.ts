import { breakerSource } from '../../../base/standards/breakers';
import { counted } from '../../../base/text/counted';
import { circuitFacts } from '../../../trade/power/circuitFacts';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const inrushTrips: SnagRule = {
  id: 'inrush-trips',
  why: 'When the mains return everything comes on at once, cold; the breaker may see a short circuit. Outlets that switch on one after the other help.',
  source: breakerSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    circuitFacts(job).flatMap(({ circuit, rushA, rushLimitA, inrushUnknown, rush }): Finding[] => {
      if (rush.length === 0) return [];
      const rowIds = [circuit.id];
      const missing = [
        ...(rushLimitA === null ? ['the rating and the curve of its breaker'] : []),
        ...(inrushUnknown > 0 ? [`the inrush of ${counted(inrushUnknown, 'supply', 'supplies')}`] : []),
      ];
      if (rushLimitA === null || missing.length > 0)
        return [notJudged({ rowIds }, circuit.name, 'inrush after an outage', missing)];
      if (rushA <= rushLimitA) return [];
      const worst = rush.find(({ amps }) => amps === rushA);
      return [
        {
          grade: 'will-bite',
          rowIds,
          what: `${counted(worst?.gear.length ?? 0, 'supply', 'supplies')} come on together on ${circuit.name}, up to ${Math.round(rushA)} A for some milliseconds; its breaker may act from ${Math.round(rushLimitA)} A on.`,
        },
      ];
    }),
};
