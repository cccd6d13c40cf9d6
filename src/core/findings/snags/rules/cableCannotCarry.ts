import { published } from '../../../base/standards/source';
import { isNow } from '../../../job/records/run';
import { cableKindOf } from '../../../trade/runs/cableKinds';
import { carriesOfCable } from '../../../trade/runs/carriesOfCable';
import type { Finding, SnagRule } from '../snag';

const CLAD = /\bcca\b|copper[- ]clad/i;
const TWO_PAIRS = /\b2[- ]?pairs?\b|\b2\s?[x×]\s?2\b|\btwo[- ]pair/i;

export const cableCannotCarry: SnagRule = {
  id: 'cable-cannot-carry',
  why: 'The link will not come up, or comes up slower and breaks under power: data wants four pairs of solid copper.',
  source: published('IEEE 802.3; ANSI/TIA-568.2: four pairs of solid copper'),
  stations: ['runs'],
  reads: {
    runs: ['id', 'label', 'carries', 'cable', 'device', 'speedMbps', 'poeW', 'poeClass', 'scope'],
    cableKinds: true,
  },
  find: ({ job, runsInOrder }) =>
    runsInOrder.flatMap((run): Finding[] => {
      if (run.carries !== 'ethernet' || !isNow(run) || run.cable === '') return [];
      const kind = cableKindOf(job, run.cable);
      const runIds = [run.id];
      const carries = kind?.carries ?? carriesOfCable(run.cable);
      if (carries !== null && carries !== 'ethernet')
        return [
          {
            grade: 'wont-work',
            runIds,
            what: `${run.label} is to carry data over ${run.cable}, which is ${carries}.`,
          },
        ];
      const words = `${run.cable} ${kind?.note ?? ''}`;
      if (CLAD.test(words))
        return [
          {
            grade: 'wont-work',
            runIds,
            what: `${run.label} is of copper-clad aluminium: no standard takes it for data, and under power it overheats.`,
          },
        ];
      if (TWO_PAIRS.test(words) && (run.speedMbps ?? 0) > 100)
        return [{ grade: 'wont-work', runIds, what: `${run.label} has two pairs: more than 100 Mb/s want four.` }];
      return [];
    }),
};
