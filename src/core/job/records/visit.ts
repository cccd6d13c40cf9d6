import { z } from 'zod';
import { day, Id, line, name, whole } from './fields';
import { byName, defineTable } from './table';

/** An hour of the day, as `18:30`. */
export const hour = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'expected an hour such as 18:30');

/** A window in which work may be done. */
export const Visit = z
  .strictObject({
    id: Id,
    name: name(40),
    on: day,
    from: hour.default('08:00'),
    minutes: whole(10, 1440).default(240),
    people: whole(1, 6).default(1),
    electrician: z.boolean().default(false).describe('one is there'),
    notes: line(300).default(''),
  })
  .meta({ id: 'Visit' });
export type Visit = z.infer<typeof Visit>;

export const visits = defineTable({
  name: 'visits',
  about: 'building',
  private: false,
  stations: ['build'],
  row: 'visit',
  one: 'visit',
  atMost: 60,
  schema: Visit,
  title: (row) => row.name,
  keys: [byName()],
});
