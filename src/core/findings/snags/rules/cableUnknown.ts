import { commonPractice } from '../../../base/standards/source';
import { groupBy } from '../../../base/text/groupBy';
import { isNow } from '../../../job/records/run';
import { cableKey } from '../../../trade/runs/cableCategory';
import { cableKindOf } from '../../../trade/runs/cableKinds';
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
