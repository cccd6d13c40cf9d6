import { z } from 'zod';
import { Id, name } from './fields';

/** Something to settle or to do that no rule would find. */
export const OpenPoint = z
  .strictObject({
    id: Id,
    words: name(300),
    done: z.boolean().default(false),
  })
  .meta({ id: 'OpenPoint' });
export type OpenPoint = z.infer<typeof OpenPoint>;
