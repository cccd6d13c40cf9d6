import { cabinetHeat } from '../../cooling/cabinetHeat';
import { surfaceHeatSource } from '../../standards/cooling';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

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
      const least = heat.watts.unknown > 0 ? 'at least ' : '';
      const findings: Finding[] = [];
      const limit = `${c(heat.limitC)}${heat.limitKnown ? '' : ', as is usual,'}`;
      if (heat.usualC > heat.limitC)
        findings.push({
          ...at,
          grade: 'wont-work',
          what: `${rack.name} gets ${least}${c(heat.usualC)} warm inside while it idles on a usual day; its gear stands ${limit} at most.`,
        });
      else if (heat.summerC > heat.limitC)
        findings.push({
          ...at,
          grade: 'will-bite',
          what: `${rack.name} gets ${least}${c(heat.summerC)} warm inside in summer; its gear stands ${limit} at most.`,
        });
      else if (heat.grownC > heat.limitC)
        findings.push({
          ...at,
          grade: 'could-be-neater',
          what: `${rack.name} gets ${least}${c(heat.grownC)} warm inside in summer once it has grown as planned; its gear stands ${limit} at most.`,
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
