import { z } from 'zod';
import { Id, line } from './fields';
import { defineTable } from './table';

/** A station that this job does not need, such as Power in a flat. Its id is the station's. */
export const Skip = z
  .strictObject({
    id: Id,
    why: line(200).default(''),
  })
  .meta({ id: 'Skip' });
export type Skip = z.infer<typeof Skip>;

export const skips = defineTable({
  name: 'skips',
  about: 'plan',
  private: false,
  stations: [],
  row: 'skip',
  one: 'station not needed',
  many: 'stations not needed',
  atMost: 20,
  schema: Skip,
  title: (row) => row.id,
});
