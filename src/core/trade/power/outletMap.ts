import { outlets } from '../../base/standards/outlets';
import type { Job } from '../../job/document/job';
import { gearShortNames } from '../../job/gear/shortNames';
import { type MainsOutlet, outletKindOf, outletsOf } from '../../job/records/mainsSockets';
import { portKey } from '../../job/records/portKey';
import { feedsOf, wallOutletsOf } from './feeds';
import { mainsSideOf, mainsWayMm, stockCordMm } from './mainsCords';

export type OutletRow = {
  feedId: string;
  feed: string;
  feedShort: string;
  outlet: MainsOutlet;
  kind: string;
  backing: string;
  device: string;
  deviceShort: string;
  inlet: number | null;
  cordMm: number | null;
  side: string;
};

const BACKING_WORDS = { battery: 'battery', surge: 'surge only', none: '', unknown: 'not known' } as const;

/** Every mains outlet with what is in it, walls first. */
export function outletMap(job: Job): OutletRow[] {
  const { plugAtOutlet, units } = feedsOf(job);
  const short = gearShortNames(job);
  const rows = [
    ...Object.values(job.wallOutlets).map((wall) => ({
      id: wall.id,
      name: wall.name,
      feed: null,
      all: wallOutletsOf(wall),
      reachMm: wall.reachMm,
    })),
    ...units.map((feed) => ({ id: feed.id, name: feed.name, feed, all: outletsOf(feed), reachMm: null })),
  ];
  return rows.flatMap(({ id, name, feed, all, reachMm }) =>
    all.map((outlet): OutletRow => {
      const plug = plugAtOutlet.get(portKey(id, outlet.number));
      const gear = plug && job.gear[plug.gearId];
      const way = gear ? mainsWayMm(job, gear, feed ? { gear: feed, outlet: outlet.number } : { reachMm }) : null;
      const kind = outletKindOf(outlet.kind, feed, job.rules);
      return {
        feedId: id,
        feed: name,
        feedShort: short.get(id) ?? name,
        outlet,
        kind: kind === null ? 'not known' : outlets[kind].name,
        backing: BACKING_WORDS[outlet.backing],
        device: gear?.name ?? '',
        deviceShort: gear ? (short.get(gear.id) ?? gear.name) : '',
        inlet: plug?.inlet ?? null,
        cordMm: plug?.lengthMm ?? (way === null ? null : stockCordMm(way)),
        side: plug && gear ? mainsSideOf(job, plug) : '',
      };
    }),
  );
}
