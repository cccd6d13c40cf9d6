import { bundleSource, mostInBundle } from '../../../base/standards/cableHandling';
import { sameKey } from '../../../base/text/sameKey';
import { sharing } from '../../../job/document/keyMaps';
import { isNow } from '../../../job/records/run';
import { takesPower } from '../../../trade/power/poe';
import type { SnagRule } from '../snag';

export const bundleTooBig: SnagRule = {
  id: 'bundle-too-big',
  why: 'Cables that carry power warm each other in a thick bundle. Split it, and keep the parts apart.',
  source: bundleSource,
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'device', 'poeW', 'poeClass', 'bundle', 'scope'] },
  find: ({ runsInOrder }) =>
    sharing(
      runsInOrder.filter((run) => isNow(run) && run.bundle !== ''),
      (run) => sameKey(run.bundle),
    ).flatMap((runs) => {
      const powered = runs.filter(takesPower).length;
      if (runs.length <= mostInBundle || powered === 0) return [];
      const what = `Bundle ${runs[0]?.bundle} has ${runs.length} runs, ${powered} of them with power; ${mostInBundle} or fewer are advised.`;
      return { grade: 'could-be-neater' as const, rowIds: [`bundle ${sameKey(runs[0]?.bundle ?? '')}`], what };
    }),
};
