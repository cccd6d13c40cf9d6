import { circuitLoads } from '../../power/feeds';
import { ruleSets } from '../../standards/ruleSets';
import { twoFeedSource } from '../../standards/supplies';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

const amps = (value: number) => `${Math.round(value * 10) / 10} A`;

export const circuitOverloaded: SnagRule = {
  id: 'circuit-overloaded',
  why: 'A breaker that carries too much for good trips, mostly at night, and takes all that hangs on it. New circuits are work for a licensed electrician, by local code.',
  source: ruleSets.europe.continuous.source,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    circuitLoads(job).flatMap(({ circuit, amps: now, grownAmps, aloneAmps, limitA, full }): Finding[] => {
      if (now === null || grownAmps === null || limitA === null) return [];
      const { source } = ruleSets[job.rules].continuous;
      const at = { rowIds: [circuit.id], source };
      const least = full.unknown > 0 ? 'at least ' : '';
      if (now > limitA)
        return [
          {
            ...at,
            grade: 'wont-work',
            what: `${circuit.name} carries ${least}${amps(now)}; for good it may carry ${amps(limitA)}.`,
          },
        ];
      if (grownAmps > limitA)
        return [
          {
            ...at,
            grade: 'will-bite',
            what: `${circuit.name} carries ${least}${amps(now)} and with the growth planned ${amps(grownAmps)}; for good it may carry ${amps(limitA)}.`,
          },
        ];
      if (aloneAmps !== null && aloneAmps > limitA)
        return [
          {
            ...at,
            grade: 'will-bite',
            source: twoFeedSource,
            what: `${circuit.name} carries ${least}${amps(aloneAmps)} once the other feed of what has two supplies is gone; for good it may carry ${amps(limitA)}.`,
          },
        ];
      return [];
    }),
};
