import { tailShortfall } from '../../runs/tailReach';
import { commonPractice } from '../../standards/source';
import { formatSize } from '../../units/length';
import type { SnagRule } from '../snag';

export const tailTooShort: SnagRule = {
  id: 'tail-too-short',
  why: 'It does not reach with a service loop. Move the panel nearer to the entry, use a coupler, or extend it with a joint that is noted.',
  source: commonPractice,
  stations: ['runs', 'land'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label', 'entry', 'tailMm'],
    landings: true,
    answers: true,
    units: true,
  },
  find: (index) =>
    index.runsInOrder.flatMap((run) => {
      const reach = tailShortfall(index.job, run);
      if (!reach || reach.missingMm <= 0) return [];
      const [need, missing] = [reach.needMm, reach.missingMm].map((mm) => formatSize(mm, index.job.units));
      const what = `The tail of ${run.label} is ${missing} short of ${reach.panelName}, which takes ${need}.`;
      return { grade: 'wont-work' as const, runIds: [run.id], what };
    }),
};
