import { surfaceHeatSource } from '../../../base/standards/cooling';
import { gearIn } from '../../../job/rack/gearIn';
import { cabinetHeat } from '../../../trade/power/cooling/cabinetHeat';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

const c = (value: number) => `${Math.round(value)} °C`;

export const cabinetTooWarm: SnagRule = {
  id: 'cabinet-too-warm',
  why: 'Gear that is too warm slows down, restarts and dies early; batteries lose half their life with every 8 K.',
  source: surfaceHeatSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      const heat = cabinetHeat(job, rack);
      const at = { rackIds: [rack.id] };
      // What is too warm even at best is said as the least; the page shows the worse case that is judged by.
      const least = heat.watts.unknown > 0 || heat.bestC < heat.summerC - 0.5 ? 'at least ' : '';
      const findings: Finding[] = [];
      const limit = `${c(heat.bestLimitC)}${heat.limitKnown ? '' : ' (usual)'}`;
      const { bestC, bestUsualC, bestLimitC } = heat;
      if (bestUsualC > bestLimitC)
        findings.push({
          ...at,
          grade: 'wont-work',
          what: `${rack.name}: ${least}${c(bestUsualC)} at the top while it idles on a usual day; its gear is rated ${limit}.`,
        });
      else if (bestC > bestLimitC)
        findings.push({
          ...at,
          grade: 'will-bite',
          what: `${rack.name}: ${least}${c(bestC)} at the top in summer; its gear is rated ${limit}.`,
        });
      else if (heat.unknown.length > 0) {
        if (gearIn(job, rack).length > 0)
          findings.push(notJudged(at, rack.name, `heat (up to ${c(heat.summerC)} in summer)`, heat.unknown));
      } else if (heat.grownC > heat.limitC)
        findings.push({
          ...at,
          grade: 'could-be-neater',
          what: `${rack.name}: ${least}${c(heat.grownC)} at the top in summer once it has grown as planned; its gear is rated ${limit}.`,
        });
      if (heat.shell.thermostatC !== null && heat.shell.thermostatC >= heat.limitC)
        findings.push({
          ...at,
          grade: 'will-bite',
          rowIds: ['thermostat'],
          what: `The fan of ${rack.name} starts at ${c(heat.shell.thermostatC)}; by then its gear is too warm.`,
        });
      const shut =
        heat.shell.fanM3h > 0 &&
        (heat.shell.lowCm2 === 0 || heat.shell.highCm2 === 0) &&
        rack.ventLowCm2 !== null &&
        rack.ventHighCm2 !== null;
      if (shut)
        findings.push({
          ...at,
          grade: 'will-bite',
          rowIds: ['openings'],
          what: `The fan of ${rack.name} has no opening to draw from or to blow to.`,
        });
      return findings;
    }),
};
