import { z } from 'zod';
import { amount, Id, name, whole } from './fields';
import { defineTable, goesWith } from './table';

/** Like cameras that a recorder keeps. Goes with the recorder. */
export const Stream = z
  .strictObject({
    id: Id,
    recorderId: Id,
    name: name(60),
    count: whole(1, 500).default(1),
    mbps: amount(0.01, 1000).nullable().default(null).describe('of each; null: not known'),
    percent: amount(1, 100).nullable().default(null).describe('of the time recorded; null: all of it'),
  })
  .meta({ id: 'Stream' });
export type Stream = z.infer<typeof Stream>;

export const streams = defineTable({
  name: 'streams',
  about: 'plan',
  private: false,
  stations: ['power'],
  row: 'stream',
  one: 'recording',
  atMost: 1000,
  schema: Stream,
  title: (row) => row.name,
  refers: [goesWith('recorderId', 'gear')],
});
