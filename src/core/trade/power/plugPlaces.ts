import type { OutletKind } from '../../base/standards/outlets';
import type { Gear } from '../../job/records/gear';
import { type MainsOutlet, outletKindOf, outletsOf } from '../../job/records/mainsSockets';
import { portKey } from '../../job/records/portKey';
import { type Feeds, wallOutletsOf } from './feeds';

/** An outlet that a plug can go to. */
export type Place = {
  feed: Gear | null;
  wallId: string | null;
  outlet: MainsOutlet;
  kind: OutletKind | null;
  /** Row of outlets, for bodies that meet. */
  row: string;
  /** Units above it, itself first, and the circuit. */
  units: readonly string[];
  circuitId: string | null;
  battery: boolean;
};

const place = (feeds: Feeds, feed: Gear | null, wallId: string | null, outlet: MainsOutlet): Place => {
  const units: string[] = [];
  let [at, wall, battery] = [feed, wallId, false];
  let through: MainsOutlet | undefined = outlet;
  while (at && !units.includes(at.id)) {
    units.push(at.id);
    if (at.kind === 'ups' && through?.backing === 'battery') battery = true;
    const plug = feeds.plugAtInlet.get(portKey(at.id, 1));
    if (!plug) break;
    wall = plug.wallId;
    at = plug.feedId === null ? null : (feeds.job.gear[plug.feedId] ?? null);
    through = at ? outletsOf(at)[plug.outlet - 1] : undefined;
  }
  return {
    feed,
    wallId,
    outlet,
    kind: outletKindOf(outlet.kind, feed, feeds.job.rules),
    row: feed?.id ?? wallId ?? '',
    units,
    circuitId: wall === null ? null : (feeds.job.wallOutlets[wall]?.circuitId ?? null),
    battery,
  };
};

/** All outlets there are, of units that are placed and of walls. */
export function placesOf(feeds: Feeds): Place[] {
  return [
    ...feeds.units.flatMap((feed) => outletsOf(feed).map((outlet) => place(feeds, feed, null, outlet))),
    ...Object.values(feeds.job.wallOutlets).flatMap((wall) =>
      wallOutletsOf(wall).map((outlet) => place(feeds, null, wall.id, outlet)),
    ),
  ];
}

export const isFree = (feeds: Feeds, { feed, wallId, outlet }: Place): boolean =>
  !feeds.plugAtOutlet.has(portKey(feed?.id ?? wallId ?? '', outlet.number));

/** What two supplies should not have in common: the battery unit that they are behind, else the circuit. */
export const feedKey = ({ units, circuitId, battery }: Place): string =>
  battery ? `unit ${units.at(-1)}` : circuitId === null ? `unit ${units.at(-1) ?? ''}` : `circuit ${circuitId}`;
