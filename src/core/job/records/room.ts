import { z } from 'zod';
import { sameKey } from '../../base/text/sameKey';
import { Id, line, name, whole } from './fields';
import { defineTable, goesWith } from './table';

const MOST_MM = 500_000;

/** A room as a rectangle on the plan of its floor, mm from the plan's upper left corner. Goes with its floor. */
export const Room = z
  .strictObject({
    id: Id,
    floorId: Id,
    name: name(60),
    xMm: whole(0, MOST_MM),
    yMm: whole(0, MOST_MM),
    widthMm: whole(300, MOST_MM),
    depthMm: whole(300, MOST_MM),
    code: line(6).default('').describe('short code for labels'),
  })
  .meta({ id: 'Room' });
export type Room = z.infer<typeof Room>;

export const rooms = defineTable({
  name: 'rooms',
  about: 'plan',
  private: false,
  stations: ['survey'],
  row: 'room',
  one: 'room',
  atMost: 5000,
  schema: Room,
  title: (row) => row.name,
  keys: [
    {
      what: 'name on one floor',
      of: (row) => `${row.floorId}:${sameKey(row.name)}`,
      words: (row) => `the name ${row.name} on one floor`,
    },
  ],
  refers: [goesWith('floorId', 'floors')],
});
