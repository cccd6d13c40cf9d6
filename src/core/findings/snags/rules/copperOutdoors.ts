import { ruleSets } from '../../../base/standards/ruleSets';
import { fromMemory } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { isNow } from '../../../job/records/run';
import { goesOutdoors } from '../../../trade/panels/goesOutdoors';
import { answerOf } from '../../../trade/survey/answers/answers';
import type { SnagRule } from '../snag';

export const copperOutdoors: SnagRule = {
  id: 'copper-outdoors',
  why: 'Lightning nearby comes in over copper. Protectors at both ends, bonded to earth, or fibre. Local codes and licensed practice rule.',
  source: fromMemory('IEC 62305-4: protection of lines that leave a building'),
  stations: ['runs'],
  reads: {
    runs: ['id', 'label', 'carries', 'cable', 'scope'],
    pathways: true,
    passages: true,
    cableKinds: true,
    answers: true,
  },
  find: ({ job, runsInOrder }) => {
    if (answerOf(job, 'outdoor-protectors') === 'yes') return [];
    const out = runsInOrder.filter(
      (run) => isNow(run) && run.carries !== 'fibre' && run.carries !== 'speaker' && goesOutdoors(job, run),
    );
    const [first] = out;
    if (!first) return [];
    const what = `${counted(out.length, 'copper run')} ${out.length === 1 ? 'goes' : 'go'} outdoors (${first.label} is the first). Surge protection is not recorded.`;
    const source = ruleSets[job.rules].cites.outdoors;
    return [{ grade: 'will-bite' as const, runIds: [first.id], what, ...(source ? { source } : {}) }];
  },
};
