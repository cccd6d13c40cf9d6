import { z } from 'zod';
import { Id, line, name } from './fields';
import { defineTable } from './table';

/** Something to settle or to do that no rule would find. */
export const OpenPoint = z
  .strictObject({
    id: Id,
    words: name(300),
    done: z.boolean().default(false),
    about: line(200)
      .default('')
      .describe('what it was made of, such as a cause that a switch showed; empty: of nothing'),
  })
  .meta({ id: 'OpenPoint' });
export type OpenPoint = z.infer<typeof OpenPoint>;

export const openPoints = defineTable({
  name: 'openPoints',
  about: 'plan',
  private: true,
  stations: ['survey'],
  onSite: true,
  row: 'open_point',
  one: 'open point',
  atMost: 5000,
  schema: OpenPoint,
});
