import { circuitFacts } from '../../power/circuitFacts';
import { residualSource } from '../../standards/breakers';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const circuitLeaks: SnagRule = {
  id: 'circuit-leaks',
  why: 'Every supply leaks a little to earth; many of them together trip the residual-current device without any fault.',
  source: residualSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    circuitFacts(job).flatMap(({ circuit, leakMa, leakLimitMa, leakKnown }): Finding[] => {
      if (circuit.residualMa === null && leakMa > 0)
        return [
          notJudged({ rowIds: [circuit.id] }, circuit.name, 'leakage to earth', [
            'whether it has a residual-current device, and its rating',
          ]),
        ];
      if (leakLimitMa === null || leakMa <= leakLimitMa) return [];
      return [
        {
          grade: 'will-bite',
          rowIds: [circuit.id],
          what: `What hangs on ${circuit.name} leaks about ${leakMa.toFixed(1)} mA${leakKnown ? '' : ', some of it as usual for a supply'}; ${leakLimitMa.toFixed(1)} mA are the most on its residual-current device.`,
        },
      ];
    }),
};
