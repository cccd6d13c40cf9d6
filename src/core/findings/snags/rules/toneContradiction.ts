import { commonPractice } from '../../../base/standards/source';
import { jackFindings } from '../../../trade/runs/unlabelled/findings';
import type { SnagRule } from '../snag';

export const toneContradiction: SnagRule = {
  id: 'tone-contradiction',
  why: 'One cable ends at one jack. Ask again with the others out of the way before it is labelled.',
  source: commonPractice,
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'floor', 'room', 'outlet', 'origin'], jacks: true, tones: true },
  find: ({ job }) =>
    jackFindings(job).flatMap(({ jack, state, why, runs }) => {
      if (state !== 'contradiction') return [];
      const tones = Object.values(job.tones).filter((tone) => tone.jackId === jack.id);
      return {
        grade: 'will-bite' as const,
        runIds: runs.map((run) => run.id),
        rowIds: [jack.id],
        what: `${[jack.room, jack.outlet].filter(Boolean).join(' ')}: ${why}`,
        mends: () => [
          {
            label: 'Forget what was heard there, and ask again',
            commands: [{ type: 'dropRows' as const, table: 'tones' as const, ids: tones.map((tone) => tone.id) }],
          },
        ],
      };
    }),
};
