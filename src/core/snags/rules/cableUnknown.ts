import { isNow } from '../../records/run';
import { cableKey } from '../../runs/cableCategory';
import { cableKindOf } from '../../runs/cableKinds';
import { commonPractice } from '../../standards/source';
import { groupBy } from '../../text/groupBy';
import { runsNotJudged, type SnagRule } from '../snag';

export const cableUnknown: SnagRule = {
  id: 'cable-unknown',
  why: 'Without its diameter and gauge the runs are missing from fill, bundles and power over the cable.',
  source: commonPractice,
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'cable', 'scope'], cableKinds: true },
  find: ({ job, runsInOrder }) => {
    const unknown = runsInOrder.filter((run) => isNow(run) && !cableKindOf(job, run.cable));
    return [...groupBy(unknown, (run) => cableKey(run.cable)).values()].flatMap((runs) =>
      runsNotJudged(runs, 'reach, fill and power', runs[0]?.cable === '' ? 'their cable' : `what ${runs[0]?.cable} is`),
    );
  },
};
