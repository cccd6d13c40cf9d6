import { z } from 'zod';
import { PLACE_USES } from '../../base/standards/noise';
import { amount, Id, name, whole } from './fields';
import { byName, defineTable, goesWith } from './table';

/** A place within earshot of a cabinet where people work or sleep. */
export const NoisePlace = z
  .strictObject({
    id: Id,
    name: name(40),
    rackId: Id,
    distanceMm: whole(100, 100_000),
    use: z.enum(PLACE_USES).default('office'),
    absorbsM2: amount(0.1, 1000).nullable().default(null).describe('room constant; null: not known'),
    betweenDb: amount(0, 80).default(0).describe('what a wall or a shut door between takes off'),
    dayDb: amount(0, 100).nullable().default(null).describe('what may be heard by day; null: as usual for its use'),
    nightDb: amount(0, 100).nullable().default(null),
  })
  .meta({ id: 'NoisePlace' });
export type NoisePlace = z.infer<typeof NoisePlace>;

export const noisePlaces = defineTable({
  name: 'noisePlaces',
  about: 'plan',
  private: false,
  stations: ['power'],
  row: 'noise_place',
  one: 'place within earshot',
  many: 'places within earshot',
  atMost: 200,
  schema: NoisePlace,
  title: (row) => row.name,
  keys: [byName()],
  refers: [goesWith('rackId', 'racks')],
});
