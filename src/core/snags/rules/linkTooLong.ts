import { cableCategory } from '../../runs/cableCategory';
import { cableKindOf } from '../../runs/cableKinds';
import { linkLimitMm } from '../../runs/linkLimits';
import { runLength } from '../../runs/routeLength';
import { figureOf } from '../../site/answers';
import { permanentLinkSource } from '../../standards/copperLengths';
import { temperatureDerating, temperatureSource } from '../../standards/temperatureDerating';
import { formatLength } from '../../units/length';
import type { SnagRule } from '../snag';

export const linkTooLong: SnagRule = {
  id: 'link-too-long',
  why: 'Beyond the permanent link limit no speed is assured. Use fibre, or a switch on the way.',
  source: permanentLinkSource,
  stations: ['runs'],
  reads: {
    runs: ['id', 'label', 'floor', 'carries', 'cable', 'lengthMm', 'entry', 'speedMbps'],
    floors: true,
    rooms: true,
    places: true,
    answers: true,
    cableKinds: true,
    units: true,
  },
  find: ({ job, runsInOrder }) => {
    const celsius = figureOf(job, 'route-c');
    const warm = celsius > temperatureDerating.fromC;
    return runsInOrder.flatMap((run) => {
      const length = run.carries === 'ethernet' ? runLength(job, run) : null;
      if (!length) return [];
      const screened = cableKindOf(job, run.cable)?.screened ?? false;
      const limitMm = linkLimitMm(cableCategory(run.cable), celsius, screened, run.speedMbps);
      if (length.mm <= limitMm) return [];
      const [is, limit] = [length.mm, Math.floor(limitMm / 100) * 100].map((mm) => formatLength(mm, job.units));
      const byPlan = length.from === 'route' ? ' by the plan' : '';
      return {
        grade: 'wont-work' as const,
        runIds: [run.id],
        what: `${run.label} is ${is} of fixed cable${byPlan}; the limit is ${limit}${warm ? ` at ${celsius} °C` : ''}.`,
        ...(warm ? { source: temperatureSource } : {}),
      };
    });
  },
};
