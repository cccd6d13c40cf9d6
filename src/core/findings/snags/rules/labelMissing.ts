import { commonPractice } from '../../../base/standards/source';
import type { SnagRule } from '../snag';

export const labelMissing: SnagRule = {
  id: 'label-missing',
  why: 'A cable without a label has to be traced again on every visit.',
  source: commonPractice,
  stations: ['runs'],
  judgesNames: true,
  reads: { runs: ['id', 'label', 'room', 'outlet'] },
  find: ({ runsInOrder }) =>
    runsInOrder
      .filter((run) => run.label.trim() === '')
      .map((run) => ({
        grade: 'will-bite' as const,
        runIds: [run.id],
        what: `The run to ${[run.room, run.outlet].filter(Boolean).join(', ') || 'an unnamed outlet'} has no label.`,
      })),
};
