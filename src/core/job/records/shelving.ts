import { z } from 'zod';
import { Id, whole } from './fields';
import type { Gear } from './gear';
import type { Placement } from './placement';
import { defineTable, goesWith } from './table';

/** A device on a shelf, in a drawer or in a mount kit. Goes with either. */
export const Shelving = z
  .strictObject({
    id: Id,
    gearId: Id,
    carrierId: Id,
    bay: whole(1, 12).nullable().default(null).describe('in a mount kit, from the left'),
  })
  .meta({ id: 'Shelving' });
export type Shelving = z.infer<typeof Shelving>;

type Around = { gear: Record<string, Gear>; placements: Record<string, Placement> };

export const shelvings = defineTable({
  name: 'shelvings',
  about: 'plan',
  private: false,
  stations: ['stack'],
  withCabinet: true,
  row: 'shelving',
  one: 'place on a shelf',
  many: 'places on shelves',
  atMost: 2000,
  schema: Shelving,
  keys: [{ what: 'device', of: (row) => row.gearId, words: () => 'one device' }],
  refers: [goesWith('gearId', 'gear'), goesWith('carrierId', 'gear')],
  fault: (row) => (row.gearId === row.carrierId ? 'A device cannot stand on itself.' : null),
  overlap: (job: Around, row) =>
    Object.values(job.placements).some((place) => place.gearId === row.gearId)
      ? `${job.gear[row.gearId]?.name} stands on a shelf and in units at once.`
      : null,
});
