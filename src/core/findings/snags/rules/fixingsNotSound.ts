import { staticsSource } from '../../../base/standards/withdrawal';
import { percent } from '../../../base/units/percent';
import { placedIn } from '../../../job/rack/space';
import { wallVerdict } from '../../../trade/rack/mounting/wallMount';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const fixingsNotSound: SnagRule = {
  id: 'fixings-not-sound',
  why: 'A cabinet that comes off its wall can kill. Have the wall and the fixings judged by somebody competent; local rules and the makers’ tables rule.',
  source: staticsSource,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, shelvings: true, mounts: true, answers: true, units: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      if (rack.standing !== 'wall') return [];
      const { holds, use, mount, open } = wallVerdict(job, rack);
      const rackIds = [rack.id];
      if (holds === false) {
        const share = use === null ? '' : `: the worst case uses ${percent(use)} of what is permitted`;
        const what =
          mount.wall === 'plasterboard'
            ? `Plasterboard alone does not hold ${rack.name}.`
            : `The fixings of ${rack.name} do not hold${share}.`;
        return [{ grade: 'wont-work', rackIds, what }];
      }
      const [first] = open;
      // An empty cabinet is asked about when something goes into it.
      if (holds === true || !first || placedIn(job, rack.id).length === 0) return [];
      return [
        notJudged(
          { rackIds },
          rack.name,
          'wall mounting',
          open.map((words) => words.replace(/\.$/, '')),
        ),
      ];
    }),
};
