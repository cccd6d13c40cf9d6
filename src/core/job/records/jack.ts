import { z } from 'zod';
import { sameKey } from '../../base/text/sameKey';
import { Id, line, name } from './fields';
import { defineTable } from './table';

/** An outlet's jack that was found in a room, and of which nobody knows yet which cable ends there. */
export const Jack = z
  .strictObject({
    id: Id,
    floor: line(60).default(''),
    room: name(60),
    outlet: line(60).default(''),
  })
  .meta({ id: 'Jack' });
export type Jack = z.infer<typeof Jack>;

const placeOf = (row: Jack) => [row.floor, row.room, row.outlet].filter(Boolean).join(', ');

export const jacks = defineTable({
  name: 'jacks',
  about: 'plan',
  private: false,
  stations: ['runs'],
  row: 'jack',
  one: 'jack',
  atMost: 20_000,
  schema: Jack,
  title: (row) => [row.room, row.outlet].filter(Boolean).join(' '),
  keys: [
    {
      what: 'place',
      of: (row) => [row.floor, row.room, row.outlet].map(sameKey).join(':'),
      words: (row) => `the place ${placeOf(row)}`,
      taken: (row) => `Two jacks would be at ${placeOf(row)}: one is listed there already.`,
    },
  ],
});
