import { residualSource } from '../../../base/standards/breakers';
import { counted } from '../../../base/text/counted';
import { circuitFacts } from '../../../trade/power/circuitFacts';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const circuitLeaks: SnagRule = {
  id: 'circuit-leaks',
  why: 'Every supply leaks a little to earth; many of them together trip the residual-current device without any fault.',
  source: residualSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    circuitFacts(job).flatMap(({ circuit, leakMa, leakLimitMa, leakUnknown }): Finding[] => {
      const rowIds = [circuit.id];
      const judge = (missing: string) => [notJudged({ rowIds }, circuit.name, 'leakage to earth', [missing])];
      if (circuit.residualMa === null)
        return leakMa > 0 ? judge('whether it has a residual-current device, and its rating') : [];
      if (leakLimitMa === null) return [];
      if (leakMa > leakLimitMa)
        return [
          {
            grade: 'will-bite',
            rowIds,
            what: `What hangs on ${circuit.name} leaks about ${leakMa.toFixed(1)} mA${leakUnknown > 0 ? ', some of it as usual for a supply' : ''}; ${leakLimitMa.toFixed(1)} mA are the most on its residual-current device.`,
          },
        ];
      return leakUnknown > 0 ? judge(`the leakage of ${counted(leakUnknown, 'supply', 'supplies')}`) : [];
    }),
};
