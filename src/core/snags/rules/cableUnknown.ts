import { sharing } from '../../job/keyMaps';
import { isNow } from '../../records/run';
import { cableKindOf } from '../../runs/cableKinds';
import { commonPractice } from '../../standards/source';
import { counted } from '../../text/counted';
import { sameKey } from '../../text/sameKey';
import type { Finding, SnagRule } from '../snag';

export const cableUnknown: SnagRule = {
  id: 'cable-unknown',
  why: 'Without its diameter and gauge the runs are missing from fill, bundles and power over the cable.',
  source: commonPractice,
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'cable', 'scope'], cableKinds: true },
  find: ({ job, runsInOrder }) => {
    const unknown = runsInOrder.filter((run) => isNow(run) && run.cable !== '' && !cableKindOf(job, run.cable));
    const once = new Map(unknown.map((run) => [sameKey(run.cable), [run]]));
    for (const group of sharing(unknown, (run) => sameKey(run.cable))) once.set(sameKey(group[0]?.cable ?? ''), group);
    return [...once.values()].map(
      (runs): Finding => ({
        grade: 'could-be-neater',
        runIds: runs.slice(0, 1).map((run) => run.id),
        what: `${counted(runs.length, 'run')} of ${runs[0]?.cable}: a kind of cable that is not described.`,
      }),
    );
  },
};
