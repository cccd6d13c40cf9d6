import { published } from '../../../base/standards/source';
import type { Finding, SnagRule } from '../snag';

export const stripIntoStrip: SnagRule = {
  id: 'strip-into-strip',
  why: 'Strips one behind the other overload the first, and their contacts warm up.',
  source: published('UL 1363; advice of OSHA and HSE: no strip into a strip'),
  stations: ['power'],
  reads: { gear: true, plugs: true },
  find: ({ job }) =>
    Object.values(job.plugs).flatMap(({ gearId, feedId }): Finding[] => {
      const [gear, feed] = [job.gear[gearId], job.gear[feedId ?? '']];
      if (gear?.kind !== 'distribution' || feed?.kind !== 'distribution') return [];
      return [
        {
          grade: 'wont-work',
          gearIds: [gear.id, feed.id],
          what: `${gear.name} is plugged into ${feed.name}: a strip into a strip.`,
        },
      ];
    }),
};
