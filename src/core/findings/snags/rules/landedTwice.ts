import { commonPractice } from '../../../base/standards/source';
import { sharing } from '../../../job/document/keyMaps';
import { portKey } from '../../../job/records/portKey';
import type { Finding, SnagRule } from '../snag';

export const landedTwice: SnagRule = {
  id: 'landed-twice',
  why: 'A run ends on one port, and a port takes one run.',
  source: commonPractice,
  stations: ['land'],
  reads: { gear: true, runs: ['id', 'label'], landings: true },
  find: ({ job }) => {
    const landings = Object.values(job.landings);
    const label = (runId: string) => job.runs[runId]?.label ?? runId;
    const twice = sharing(landings, (row) => row.runId).map((rows): Finding => {
      const runId = rows[0]?.runId ?? '';
      const places = rows.map((row) => `${job.gear[row.panelId]?.name} ${row.port}`).join(' and ');
      return {
        grade: 'wont-work',
        runIds: [runId],
        what: `${label(runId)} is landed twice: on ${places}.`,
        mends: () => [{ label: `Take ${label(runId)} off`, commands: [{ type: 'takeOffRuns', runIds: [runId] }] }],
      };
    });
    const shared = sharing(landings, (row) => portKey(row.panelId, row.port)).map((rows): Finding => {
      const runIds = rows.map((row) => row.runId);
      const last = runIds.at(-1) ?? '';
      return {
        grade: 'wont-work',
        runIds,
        what: `${runIds.map(label).join(' and ')} are landed on one port, ${job.gear[rows[0]?.panelId ?? '']?.name} ${rows[0]?.port}.`,
        mends: () => [{ label: `Take ${label(last)} off`, commands: [{ type: 'takeOffRuns', runIds: [last] }] }],
      };
    });
    return [...twice, ...shared];
  },
};
