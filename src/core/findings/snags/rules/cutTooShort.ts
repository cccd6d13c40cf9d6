import { commonPractice } from '../../../base/standards/source';
import { formatLength } from '../../../base/units/length';
import { cutLengthMm } from '../../../trade/runs/cablePlan';
import type { SnagRule } from '../snag';

export const cutTooShort: SnagRule = {
  id: 'cut-too-short',
  why: 'The length of the run has changed since its cable was planned. Plan the boxes again.',
  source: commonPractice,
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'lengthMm', 'state'], answers: true, cuts: true, units: true },
  find: ({ job }) =>
    Object.values(job.cuts).flatMap((cut) => {
      const run = job.runs[cut.runId];
      const need = run && run.state === 'wanted' ? cutLengthMm(job, run) : null;
      if (!run || need === null || need <= cut.lengthMm) return [];
      const [is, was] = [need, cut.lengthMm].map((mm) => formatLength(mm, job.units));
      return {
        grade: 'will-bite' as const,
        runIds: [run.id],
        what: `${run.label} needs ${is}, and ${was} are planned to be cut.`,
      };
    }),
};
