import { permanentLinkSource } from '../../../base/standards/copperLengths';
import { temperatureDerating, temperatureSource } from '../../../base/standards/temperatureDerating';
import { formatLength } from '../../../base/units/length';
import { isNow } from '../../../job/records/run';
import { cableCategory } from '../../../trade/runs/cableCategory';
import { isScreened } from '../../../trade/runs/cableKinds';
import { linkLimitMm } from '../../../trade/runs/linkLimits';
import { runCelsius } from '../../../trade/runs/pathways/cableHeat';
import { runLength } from '../../../trade/runs/routeLength';
import { RUN_LIMIT_READS } from '../pathwayReads';
import { type Finding, runsNotJudged, type SnagRule } from '../snag';

export const linkTooLong: SnagRule = {
  id: 'link-too-long',
  why: 'Beyond the permanent link limit no speed is assured. Use fibre, or a switch on the way.',
  source: permanentLinkSource,
  stations: ['runs'],
  reads: {
    runs: RUN_LIMIT_READS,
    floors: true,
    rooms: true,
    places: true,
    answers: true,
    cableKinds: true,
    pathways: true,
    passages: true,
    units: true,
  },
  find: ({ job, runsInOrder }) => {
    const copper = runsInOrder.filter((run) => run.carries === 'ethernet' && isNow(run));
    const unmeasured = copper.filter((run) => runLength(job, run) === null);
    const long = copper.flatMap((run): Finding[] | Finding => {
      const length = runLength(job, run);
      if (!length) return [];
      const celsius = runCelsius(job, run);
      const warm = celsius > temperatureDerating.fromC;
      const screened = isScreened(job, run.cable);
      const limitMm = linkLimitMm(cableCategory(run.cable), celsius, screened, run.speedMbps);
      if (length.mm <= limitMm) return [];
      const [is, limit] = [length.mm, Math.floor(limitMm / 100) * 100].map((mm) => formatLength(mm, job.units));
      const byPlan = length.from === 'route' ? ' by the plan' : '';
      return {
        grade: 'wont-work' as const,
        runIds: [run.id],
        what: `${run.label} is ${is} of fixed cable${byPlan}; the limit is ${limit}${warm ? ` at ${Math.round(celsius)} °C` : ''}.`,
        ...(warm ? { source: temperatureSource } : {}),
      };
    });
    return [...long, ...runsNotJudged(unmeasured, 'length', 'length')];
  },
};
