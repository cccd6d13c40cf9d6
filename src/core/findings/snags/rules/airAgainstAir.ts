import { commonPractice } from '../../../base/standards/source';
import { placedIn, takesUnits } from '../../../job/rack/space';
import type { Finding, SnagRule } from '../snag';

export const airAgainstAir: SnagRule = {
  id: 'air-against-air',
  why: 'Gear that draws in what the next one blew out runs hot, and its fans run loud.',
  source: commonPractice,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      const placed = placedIn(job, rack.id).filter(({ placement }) => takesUnits(placement));
      // Turned round on the rear rails, front is behind.
      const flowOf = ({ gear, placement }: (typeof placed)[number]) =>
        placement.face === 'front'
          ? gear.airflow
          : gear.airflow === 'front-rear'
            ? 'rear-front'
            : gear.airflow === 'rear-front'
              ? 'front-rear'
              : gear.airflow;
      const findings: Finding[] = [];
      placed.forEach((upper, at) => {
        const lower = placed
          .slice(0, at)
          .find((one) => one.placement.bottomU + one.gear.heightU === upper.placement.bottomU);
        const flows = lower ? [flowOf(lower), flowOf(upper)] : [];
        if (lower && flows.includes('front-rear') && flows.includes('rear-front'))
          findings.push({
            grade: 'will-bite',
            gearIds: [upper.gear.id, lower.gear.id],
            rackIds: [rack.id],
            what: `${upper.gear.name} and ${lower.gear.name} beneath it blow against each other: one to the rear, one to the front.`,
          });
        if (flowOf(upper) === 'side' && rack.sides === 'closed')
          findings.push({
            grade: 'will-bite',
            gearIds: [upper.gear.id],
            rackIds: [rack.id],
            what: `${upper.gear.name} blows to the side, and the sides of ${rack.name} are closed.`,
          });
      });
      return findings;
    }),
};
