import { mainsWires, ringFinal, wireMostA } from '../../../base/standards/mainsWire';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const wireTooThin: SnagRule = {
  id: 'wire-too-thin',
  why: 'A conductor behind too large a breaker can overheat before the breaker trips. Work on circuits is for a licensed electrician, by local code.',
  source: wireMostA['awg-14'].source,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    Object.values(job.circuits).flatMap((circuit): Finding[] => {
      const { id, name, wire, breakerA } = circuit;
      if (wire === null || breakerA === null)
        return wire === null && breakerA === null
          ? []
          : [
              notJudged({ rowIds: [id] }, name, 'conductor size', [
                wire === null ? 'its conductor size' : 'the rating of its breaker',
              ]),
            ];
      const { amps, source } = wireMostA[wire];
      if (breakerA <= amps) return [];
      const ring = job.rules === 'united-kingdom' && wire === ringFinal.wire && breakerA === ringFinal.breakerA;
      return [
        {
          grade: ring ? 'will-bite' : 'wont-work',
          rowIds: [id],
          source,
          what: ring
            ? `${name}: ${mainsWires[wire].name} behind ${breakerA} A is right for a ring only. Have it checked.`
            : `${name}: ${mainsWires[wire].name} behind a ${breakerA} A breaker; ${amps} A is the most for it.`,
        },
      ];
    }),
};
