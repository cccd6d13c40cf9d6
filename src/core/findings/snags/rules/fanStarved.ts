import { commonPractice } from '../../../base/standards/source';
import { gearIn } from '../../../job/rack/gearIn';
import { openingNeededCm2 } from '../../../trade/power/cooling/airflow';
import type { Finding, SnagRule } from '../snag';

export const fanStarved: SnagRule = {
  id: 'fan-starved',
  why: 'A fan moves what its openings let through: small ones make noise and no air.',
  source: commonPractice,
  stations: ['power'],
  reads: { racks: true, gear: true, placements: true, shelvings: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      const fans = gearIn(job, rack).filter(({ kind }) => kind === 'fan');
      const flow = fans.reduce((sum, { flowM3h }) => sum + (flowM3h ?? 0), 0);
      const { ventLowCm2, ventHighCm2 } = rack;
      if (flow === 0 || ventLowCm2 === null || ventHighCm2 === null || rack.door === 'none' || rack.sides === 'open')
        return [];
      const [open, need] = [Math.min(ventLowCm2, ventHighCm2), openingNeededCm2(flow)];
      // None at all is said by the heat of the cabinet.
      if (open === 0 || open >= need) return [];
      return [
        {
          grade: 'will-bite',
          gearIds: fans.map(({ id }) => id),
          rackIds: [rack.id],
          what: `${fans.map(({ name }) => name).join(', ')}: ${Math.round(flow)} m³/h want openings of ${Math.ceil(need)} cm² below and above; ${rack.name} has ${open} cm².`,
        },
      ];
    }),
};
