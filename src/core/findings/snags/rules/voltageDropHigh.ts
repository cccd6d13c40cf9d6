import { dropSource } from '../../../base/standards/mainsWire';
import { circuitFacts } from '../../../trade/power/circuitFacts';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const voltageDropHigh: SnagRule = {
  id: 'voltage-drop-high',
  why: 'Supplies draw more current from a lower voltage, and a UPS goes to battery often. New wiring is work for a licensed electrician.',
  source: dropSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    circuitFacts(job).flatMap(({ circuit, drop, dropUnknown, full }): Finding[] => {
      const rowIds = [circuit.id];
      if (drop === null) return full.w === 0 ? [] : [notJudged({ rowIds }, circuit.name, 'voltage drop', dropUnknown)];
      if (drop.percent <= drop.advice) return [];
      return [
        {
          grade: 'will-bite',
          rowIds,
          what: `${circuit.name}: ${drop.percent.toFixed(1)} % voltage drop to its outlets; ${drop.advice} % is the advised limit.`,
        },
      ];
    }),
};
