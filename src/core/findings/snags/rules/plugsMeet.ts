import { plugBodySource } from '../../../base/standards/outlets';
import { seatedPlugs } from '../../../trade/power/coveredOutlets';
import { feedsOf } from '../../../trade/power/feeds';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

export const plugsMeet: SnagRule = {
  id: 'plugs-meet',
  why: 'A supply that is its own plug lies over the outlet beside it.',
  source: plugBodySource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const rows = [
      ...feedsOf(job).units.map((feed) => ({ id: feed.id, name: feed.name, seated: seatedPlugs(job, { feed }) })),
      ...Object.values(job.wallOutlets).map((wall) => ({
        id: wall.id,
        name: wall.name,
        seated: seatedPlugs(job, { wall }),
      })),
    ];
    return rows.flatMap(({ id, name, seated }): Finding[] =>
      seated.flatMap((one): Finding[] =>
        one.meets
          .filter((other) => other.outlet.number > one.outlet.number)
          .map((other) => ({
            grade: 'wont-work',
            gearIds: [one.gear.id, other.gear.id],
            rowIds: [id],
            what: `The plugs of ${one.gear.name} and ${other.gear.name} do not go side by side into outlets ${one.outlet.number} and ${other.outlet.number} of ${name}.`,
          })),
      ),
    );
  },
};
