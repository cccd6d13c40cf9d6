import { z } from 'zod';
import { OUTLET_KINDS } from '../../base/standards/outlets';
import { amount, Id, line, name, whole } from './fields';
import { byName, clearedWith, defineTable } from './table';

/** Mains outlets side by side in a wall. */
export const WallOutlet = z
  .strictObject({
    id: Id,
    name: name(40),
    place: line(80).default(''),
    circuitId: Id.nullable().default(null),
    kind: z.enum(OUTLET_KINDS).nullable().default(null).describe('null: the household kind of the region'),
    count: whole(1, 12).default(2),
    pitchMm: amount(15, 300).nullable().default(null).describe('middle to middle; null: as usual for the kind'),
    reachMm: whole(0, 20_000).nullable().default(null).describe('cord from here to the cabinet’s lower edge'),
  })
  .meta({ id: 'WallOutlet' });
export type WallOutlet = z.infer<typeof WallOutlet>;

export const wallOutlets = defineTable({
  name: 'wallOutlets',
  about: 'plan',
  private: false,
  stations: ['power'],
  row: 'wall_outlet',
  one: 'wall outlet',
  atMost: 200,
  schema: WallOutlet,
  title: (row) => row.name,
  keys: [byName()],
  refers: [clearedWith('circuitId', 'circuits')],
});
