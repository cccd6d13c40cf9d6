import { z } from 'zod';
import { Id, line, name } from './fields';

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
