import { z } from 'zod';
import { Id, name } from './fields';
import { defineTable } from './table';

/** Something to settle or to do that no rule would find. */
export const OpenPoint = z
  .strictObject({
    id: Id,
    words: name(300),
    done: z.boolean().default(false),
  })
  .meta({ id: 'OpenPoint' });
export type OpenPoint = z.infer<typeof OpenPoint>;

export const openPoints = defineTable({
  name: 'openPoints',
  row: 'open_point',
  one: 'open point',
  atMost: 5000,
  schema: OpenPoint,
});
