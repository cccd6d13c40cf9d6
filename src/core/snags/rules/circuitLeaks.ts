import { circuitFacts } from '../../power/circuitFacts';
import { residualSource } from '../../standards/breakers';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

export const circuitLeaks: SnagRule = {
  id: 'circuit-leaks',
  why: 'Every supply leaks a little to earth; many of them together trip the residual-current device without any fault.',
  source: residualSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    circuitFacts(job).flatMap(({ circuit, leakMa, leakLimitMa, leakKnown }): Finding[] => {
      if (leakLimitMa === null || leakMa <= leakLimitMa) return [];
      return [
        {
          grade: 'will-bite',
          rowIds: [circuit.id],
          what: `What hangs on ${circuit.name} leaks about ${leakMa.toFixed(1)} mA${leakKnown ? '' : ', some of it by rule of thumb'}; ${leakLimitMa.toFixed(1)} mA are the most on its residual-current device.`,
        },
      ];
    }),
};
