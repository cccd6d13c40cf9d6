import { z } from 'zod';
import { Id, line, whole } from './fields';

/** Shorter than this no cord has room for its two plugs. */
export const LEAST_CORD_MM = 50;

/** A patch cord from a panel port to a switch port. Goes with either device, and with the landing behind it. */
export const Cord = z
  .strictObject({
    id: Id,
    panelId: Id,
    panelPort: whole(1, 1152),
    switchId: Id,
    switchPort: whole(1, 1152),
    fixed: z.boolean().default(false).describe('put there by hand: planning leaves it alone'),
    lengthMm: whole(LEAST_CORD_MM, 100_000)
      .nullable()
      .default(null)
      .describe('of the cord that is there; null: as planned'),
    colour: line(30).default('').describe('of the cord that is there; empty: as planned'),
  })
  .meta({ id: 'Cord' });
export type Cord = z.infer<typeof Cord>;
