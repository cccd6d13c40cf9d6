import { commonPractice } from '../../../base/standards/source';
import { formatLength } from '../../../base/units/length';
import { pullSheet } from '../../../trade/runs/pullSheet';
import type { SnagRule } from '../snag';

export const boxOverdrawn: SnagRule = {
  id: 'box-overdrawn',
  why: 'The box runs out before the pull is finished. Plan the boxes again.',
  source: commonPractice,
  stations: ['runs'],
  reads: { runs: ['id', 'label'], boxes: true, cuts: true, units: true },
  find: ({ job }) => {
    const short = new Map<string, ReturnType<typeof pullSheet>[number]>();
    for (const line of pullSheet(job)) if (line.leftMm < 0) short.set(line.box.id, line);
    return [...short.values()].map(({ box, leftMm, run }) => ({
      grade: 'wont-work' as const,
      rowIds: [box.id],
      runIds: [run.id],
      what: `${box.name} holds ${formatLength(box.leftMm, job.units)} of ${box.cable}: ${formatLength(-leftMm, job.units)} too little for what is cut from it.`,
    }));
  },
};
