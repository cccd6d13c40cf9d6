import { plugSource } from '../../../base/standards/plugRoom';
import { counted } from '../../../base/text/counted';
import { formatSize } from '../../../base/units/length';
import type { Job } from '../../../job/document/job';
import { plugFrontMm } from '../../../job/gear/body';
import { fitFault } from '../../../job/rack/fit';
import { placedIn } from '../../../job/rack/space';
import { moveGearMends } from '../mends';
import { type Finding, notJudged, type SnagRule } from '../snag';

const anyPlugsInFront = (job: Job, rackId: string): boolean =>
  placedIn(job, rackId).some(({ gear, placement }) => placement.face === 'front' && plugFrontMm(gear) > 0);

/** One door, one finding: it stays open whatever else is behind it. */
export const doorStaysOpen: SnagRule = {
  id: 'door-stays-open',
  why: 'A door pressed against plugs bends the cords tighter than their minimum bend radius, or never gets closed.',
  source: plugSource,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, shelvings: true, units: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      const shut = placedIn(job, rack.id).flatMap(({ gear, placement: { bottomU, face } }) => {
        const fault = fitFault(job, gear, { rack, bottomU, face }, 'door-shut');
        return fault ? [{ gear, words: fault.words }] : [];
      });
      const [first] = shut;
      if (rack.door !== 'none' && !rack.frontClearanceMm && anyPlugsInFront(job, rack.id))
        return [notJudged({ rackIds: [rack.id] }, rack.name, 'room behind the door', ['front rails to door'])];
      if (!first) return [];
      const gearIds = shut.map(({ gear }) => gear.id);
      const needMm = Math.max(...shut.map(({ gear }) => plugFrontMm(gear)));
      const what =
        shut.length === 1
          ? first.words
          : `Plugs and cord bends of ${counted(shut.length, 'device')} need up to ${formatSize(needMm, job.units)} in front of the rails; the door of ${rack.name} leaves ${formatSize(rack.frontClearanceMm ?? 0, job.units)}.`;
      return [
        {
          grade: 'will-bite',
          gearIds,
          rackIds: [rack.id],
          what,
          mends: () => (shut.length === 1 ? moveGearMends(job, rack, first.gear, 'door-shut') : []),
        },
      ];
    }),
};
