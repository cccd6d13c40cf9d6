import { consolidationLeastMm } from '../../../base/standards/copperLengths';
import { published } from '../../../base/standards/source';
import { formatLength } from '../../../base/units/length';
import type { SnagRule } from '../snag';

export const jointInLink: SnagRule = {
  id: 'joint-in-link',
  why: 'Every joint is one of the four connections that a channel may have, and the first place to look when a run fails. Nearer to the panel than 15 m it adds to the crosstalk there. Test it as it is.',
  source: published('ANSI/TIA-568.1: four connections in a channel, a consolidation point 15 m or more from the panel'),
  stations: ['land'],
  reads: { runs: ['id', 'label'], landings: true, units: true },
  find: ({ job }) =>
    Object.values(job.landings).flatMap((row) => {
      const run = job.runs[row.runId];
      if (!run || row.joint === 'none') return [];
      const by = row.jointMm === null ? '' : ` by ${formatLength(row.jointMm, job.units)}`;
      const how = row.joint === 'coupler' ? 'a coupler' : 'a joint';
      return {
        grade: row.joint === 'joint' ? ('will-bite' as const) : ('could-be-neater' as const),
        runIds: [run.id],
        what: `${run.label} was made longer${by} with ${how}, less than ${formatLength(consolidationLeastMm, job.units)} from its panel.`,
        mends: () => [
          {
            label: `Remove the joint of ${run.label}`,
            commands: [
              {
                type: 'landRuns' as const,
                landings: [
                  { runId: run.id, panelId: row.panelId, port: row.port, joint: 'none' as const, jointMm: null },
                ],
              },
            ],
          },
        ],
      };
    }),
};
