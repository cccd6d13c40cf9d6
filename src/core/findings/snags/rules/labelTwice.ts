import { commonPractice } from '../../../base/standards/source';
import { sameKey } from '../../../job/document/jobIndex';
import { sharing } from '../../../job/document/keyMaps';
import type { Run } from '../../../job/records/run';
import type { Mend, SnagRule } from '../snag';

function renameMend(runs: Iterable<Run>, last: Run | undefined): Mend[] {
  if (!last) return [];
  const taken = new Set([...runs].map((run) => sameKey(run.label)));
  let number = 2;
  while (taken.has(sameKey(`${last.label}-${number}`))) number++;
  const label = `${last.label}-${number}`;
  return [
    {
      label: `Rename one to ${label}`,
      commands: [{ type: 'editRuns', edits: [{ runId: last.id, changes: { label } }] }],
    },
  ];
}

export const labelTwice: SnagRule = {
  id: 'label-twice',
  why: 'Two cables of one name: one of them will be patched in the other’s stead.',
  source: commonPractice,
  stations: ['runs'],
  judgesNames: true,
  reads: { runs: ['id', 'label'] },
  find: ({ runsInOrder }) =>
    sharing(
      runsInOrder.filter((run) => run.label.trim() !== ''),
      (run) => sameKey(run.label),
    ).map((group) => ({
      grade: 'wont-work' as const,
      runIds: group.map((run) => run.id),
      what: `${group.length} runs are labelled ${group[0]?.label}.`,
      mends: () => renameMend(runsInOrder, group.at(-1)),
    })),
};
