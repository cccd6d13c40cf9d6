import { z } from 'zod';
import { Id, whole } from './fields';
import type { Gear } from './gear';
import { inletCount, outletCount } from './mainsSockets';
import { portKey } from './portKey';
import { defineTable, goesWith } from './table';
import type { WallOutlet } from './wallOutlet';

/** The plug of one inlet of a device, in an outlet of another device or in a wall. Goes with either. */
export const Plug = z
  .strictObject({
    id: Id,
    gearId: Id,
    inlet: whole(1, 8).default(1),
    feedId: Id.nullable().default(null).describe('the strip or battery unit; null: a wall'),
    wallId: Id.nullable().default(null),
    outlet: whole(1, 384),
    fixed: z.boolean().default(false).describe('put there by hand: planning leaves it alone'),
    lengthMm: whole(100, 20_000).nullable().default(null).describe('of the cord that is there; null: as planned'),
    side: z.enum(['left', 'right']).nullable().default(null).describe('where its cord runs; null: away from data'),
  })
  .meta({ id: 'Plug' });
export type Plug = z.infer<typeof Plug>;

export const plugId = (gearId: string, inlet: number): string => `plug-${inlet}-${gearId}`.slice(0, 64);
/** The outlet that a plug is in. */
export const outletKeyOf = ({ feedId, wallId, outlet }: Pick<Plug, 'feedId' | 'wallId' | 'outlet'>): string =>
  portKey(feedId ?? wallId ?? '', outlet);

type Around = {
  gear: Record<string, Gear>;
  wallOutlets: Record<string, WallOutlet>;
  plugs: Record<string, Plug>;
};

/** Whether a device would feed itself, directly or over others. */
function feedsItself(job: Around, row: Plug): boolean {
  const seen = new Set<string>();
  const waiting = row.feedId === null ? [] : [row.feedId];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (at === row.gearId) return true;
    if (seen.has(at)) continue;
    seen.add(at);
    for (const plug of Object.values(job.plugs))
      if (plug.id !== row.id && plug.gearId === at && plug.feedId !== null) waiting.push(plug.feedId);
  }
  return false;
}

export const plugs = defineTable({
  name: 'plugs',
  about: 'plan',
  private: false,
  stations: ['power'],
  row: 'plug',
  one: 'plug',
  atMost: 4000,
  schema: Plug,
  keys: [
    {
      what: 'inlet',
      of: (row) => portKey(row.gearId, row.inlet),
      words: (row) => `inlet ${row.inlet}`,
      taken: (row) => `Inlet ${row.inlet} has a plug already.`,
    },
    {
      what: 'outlet',
      of: outletKeyOf,
      words: (row) => `outlet ${row.outlet}`,
      taken: (row) => `Outlet ${row.outlet} has a plug in it already.`,
    },
  ],
  refers: [goesWith('gearId', 'gear'), goesWith('feedId', 'gear'), goesWith('wallId', 'wallOutlets')],
  fault: (row) =>
    (row.feedId === null) === (row.wallId === null) ? 'A plug is in a device or in a wall: one of the two.' : null,
  clash: (job: Around, row) => {
    const [gear, feed] = [job.gear[row.gearId], row.feedId === null ? undefined : job.gear[row.feedId]];
    const wall = row.wallId === null ? undefined : job.wallOutlets[row.wallId];
    if (gear && row.inlet > inletCount(gear)) return `${gear.name} has no inlet ${row.inlet}.`;
    if (feed && row.outlet > outletCount(feed)) return `${feed.name} has no outlet ${row.outlet}.`;
    if (wall && row.outlet > wall.count) return `${wall.name} has no outlet ${row.outlet}.`;
    return feedsItself(job, row) ? `${gear?.name} would feed itself.` : null;
  },
  minds: ['gear', 'wallOutlets'],
});
