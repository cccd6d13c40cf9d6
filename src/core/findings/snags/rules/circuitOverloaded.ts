import { ruleSets } from '../../../base/standards/ruleSets';
import { twoFeedSource } from '../../../base/standards/supplies';
import type { Job } from '../../../job/document/job';
import { circuitLoads } from '../../../trade/power/feeds';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

const amps = (value: number) => `${Math.round(value * 10) / 10} A`;

/** Wall outlets with something in them of which nobody said which circuit feeds them. */
function unknownCircuits(job: Job): Finding[] {
  const used = new Set(Object.values(job.plugs).map(({ wallId }) => wallId));
  return Object.values(job.wallOutlets)
    .filter(({ id, circuitId }) => circuitId === null && used.has(id))
    .map(({ id, name }) => notJudged({ rowIds: [id] }, name, 'circuit', ['which circuit feeds it']));
}

export const circuitOverloaded: SnagRule = {
  id: 'circuit-overloaded',
  why: 'An overloaded breaker trips, often at night, and takes everything on the circuit with it. New circuits are work for a licensed electrician, by local code.',
  source: ruleSets.europe.continuous.source,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => [
    ...unknownCircuits(job),
    ...circuitLoads(job).flatMap(
      ({ circuit, amps: now, grownAmps, aloneAmps, limitA, full, state, unknown }): Finding[] => {
        const rowIds = [circuit.id];
        if (now === null || grownAmps === null || limitA === null)
          return [notJudged({ rowIds }, circuit.name, 'load', unknown)];
        const { source } = ruleSets[job.rules].continuous;
        const at = { rowIds: [circuit.id], source };
        const least = full.unknown > 0 ? 'at least ' : '';
        if (now > limitA)
          return [
            {
              ...at,
              grade: 'wont-work',
              what: `${circuit.name} carries ${least}${amps(now)}; its limit for a continuous load is ${amps(limitA)}.`,
            },
          ];
        if (grownAmps > limitA)
          return [
            {
              ...at,
              grade: 'will-bite',
              what: `${circuit.name} carries ${least}${amps(now)}, and ${amps(grownAmps)} with the growth planned; its limit is ${amps(limitA)}.`,
            },
          ];
        if (aloneAmps !== null && aloneAmps > limitA)
          return [
            {
              ...at,
              grade: 'will-bite',
              source: twoFeedSource,
              what: `${circuit.name} carries ${least}${amps(aloneAmps)} when the other feed of redundant supplies fails; its limit is ${amps(limitA)}.`,
            },
          ];
        return state === 'not judged' ? [notJudged({ rowIds }, circuit.name, 'load', unknown)] : [];
      },
    ),
  ],
};
