import { z } from 'zod';
import { Id, name, whole } from './fields';
import { ENTRY_SIDES } from './run';
import { defineTable, goesWith } from './table';

export const PLACE_KINDS = ['cabinet', 'cable-entry', 'internet', 'mains', 'outlet'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** A point on the plan of a floor, mm. An outlet is known by its name and the room it lies in. Goes with its floor. */
export const Place = z
  .strictObject({
    id: Id,
    floorId: Id,
    kind: z.enum(PLACE_KINDS),
    name: name(60),
    xMm: whole(0, 1_000_000),
    yMm: whole(0, 1_000_000),
    heightMm: whole(0, 20_000).default(300).describe('above the floor, mm'),
    side: z
      .enum(ENTRY_SIDES)
      .nullable()
      .default(null)
      .describe('of a cable entry: the side of the cabinet it leads to'),
  })
  .meta({ id: 'Place' });
export type Place = z.infer<typeof Place>;

export const places = defineTable({
  name: 'places',
  about: 'plan',
  private: false,
  stations: ['survey'],
  row: 'place',
  one: 'place',
  atMost: 20_000,
  schema: Place,
  title: (row) => row.name,
  refers: [goesWith('floorId', 'floors')],
});
