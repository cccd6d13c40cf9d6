import { z } from 'zod';
import { Id, name, whole } from './fields';
import { byName, defineTable } from './table';

/** A floor of the site. `level` 0 is the one that heights are counted from. */
export const Floor = z
  .strictObject({
    id: Id,
    name: name(60),
    level: whole(-10, 200),
    heightMm: whole(1500, 20_000).default(2700).describe('floor to the level where cables cross overhead, mm'),
    slabMm: whole(0, 3000).default(300).describe('from there to the floor above, mm'),
    route: z.enum(['overhead', 'underfoot']).default('overhead').describe('where cables cross this floor'),
  })
  .meta({ id: 'Floor' });
export type Floor = z.infer<typeof Floor>;

export const floors = defineTable({
  name: 'floors',
  about: 'plan',
  private: false,
  stations: ['survey'],
  row: 'floor',
  one: 'floor',
  atMost: 200,
  schema: Floor,
  title: (row) => row.name,
  keys: [byName()],
});
