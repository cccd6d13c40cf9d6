import type { Job } from '../../job/document/job';
import type { Gear } from '../../job/records/gear';
import { type MainsOutlet, outletsOf } from '../../job/records/mainsSockets';
import type { Plug } from '../../job/records/plug';
import { portKey } from '../../job/records/portKey';
import type { WallOutlet } from '../../job/records/wallOutlet';
import { feedsOf, wallOutletsOf } from './feeds';
import { plugFit, plugWidthMm } from './plugFit';

/** A plug in its outlet, drawn to scale along the row. */
export type SeatedPlug = {
  plug: Plug;
  gear: Gear;
  outlet: MainsOutlet;
  widthMm: number;
  covers: number[];
  meets: SeatedPlug[];
};

/** Plugs in the outlets of a device or of a wall, with the free outlets that each covers and the plugs it runs into. */
export function seatedPlugs(job: Job, row: { feed: Gear } | { wall: WallOutlet }): SeatedPlug[] {
  const { plugAtOutlet } = feedsOf(job);
  const feed = 'feed' in row ? row.feed : null;
  const id = 'feed' in row ? row.feed.id : row.wall.id;
  const all = 'feed' in row ? outletsOf(row.feed) : wallOutletsOf(row.wall);
  const seated = all.flatMap((outlet): SeatedPlug[] => {
    const plug = plugAtOutlet.get(portKey(id, outlet.number));
    const gear = plug && job.gear[plug.gearId];
    if (!plug || !gear) return [];
    const fit = plugFit(job, gear, feed, outlet);
    return [
      {
        plug,
        gear,
        outlet,
        widthMm: plugWidthMm(job, gear, fit.fits === 'yes' ? fit.plug : null),
        covers: [],
        meets: [],
      },
    ];
  });
  for (const one of seated) {
    const half = one.widthMm / 2;
    one.covers = all
      .filter(
        (other) =>
          other.number !== one.outlet.number &&
          !plugAtOutlet.has(portKey(id, other.number)) &&
          Math.abs(other.xMm - one.outlet.xMm) < half,
      )
      .map(({ number }) => number);
    one.meets = seated.filter(
      (other) => other !== one && Math.abs(other.outlet.xMm - one.outlet.xMm) < half + other.widthMm / 2 - 0.5,
    );
  }
  return seated;
}
