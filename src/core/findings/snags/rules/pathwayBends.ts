import { bendSource } from '../../../base/standards/cableHandling';
import { conduitRulesSource, fibreConduitSource } from '../../../base/standards/pathwayRules';
import { counted } from '../../../base/text/counted';
import { formatSize } from '../../../base/units/length';
import { pathwayFigures, pullPointsNeeded, runsThrough } from '../../../trade/runs/pathways/pathwayFigures';
import { PATHWAY_READS } from '../pathwayReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const pathwayBends: SnagRule = {
  id: 'pathway-bends',
  why: 'Friction grows with every bend: the pull damages the cable before it arrives.',
  source: conduitRulesSource,
  stations: ['runs'],
  reads: PATHWAY_READS,
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const findings: Finding[] = [];
      const conduit = pathway.kind === 'conduit';
      const needed = conduit ? pullPointsNeeded(pathway) : 0;
      if (needed > pathway.pullPoints) {
        findings.push({
          grade: 'will-bite',
          rowIds: [pathway.id],
          what: `${pathway.name} has ${counted(pathway.bends, 'bend')} and ${counted(pathway.pullPoints, 'pull point')}: at most two bends and 30 m between one and the next, so it needs ${needed}.`,
          mends: () => [
            {
              label: `Plan ${counted(needed, 'pull point')}`,
              commands: [
                { type: 'editRows', edits: [{ table: 'pathways', id: pathway.id, changes: { pullPoints: needed } }] },
              ],
            },
          ],
        });
      }
      const runs = runsThrough(job, pathway.id);
      const fibre = conduit && runs.some((run) => run.carries === 'fibre');
      const { bendMm: leastMm } = pathwayFigures(job, pathway);
      // A hook is a bend of its own.
      const bends = pathway.bends > 0 || pathway.kind === 'hooks';
      if (bends && pathway.bendRadiusMm === null)
        findings.push(notJudged({ rowIds: [pathway.id] }, pathway.name, 'bends', ['the inside radius of its bends']));
      if (bends && pathway.bendRadiusMm !== null && pathway.bendRadiusMm < leastMm - 0.5) {
        findings.push({
          grade: 'will-bite',
          rowIds: [pathway.id, 'radius'],
          what: `${pathway.name} bends at ${formatSize(pathway.bendRadiusMm, job.units)}; ${conduit ? `its size${fibre ? ' with fibre' : ''} asks` : 'its cables ask'} for ${formatSize(Math.ceil(leastMm), job.units)}.`,
          ...(conduit ? (fibre ? { source: fibreConduitSource } : {}) : { source: bendSource }),
        });
      }
      return findings;
    }),
};
