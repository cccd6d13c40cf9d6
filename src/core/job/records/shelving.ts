import { z } from 'zod';
import { Id, whole } from './fields';

/** A device on a shelf, in a drawer or in a mount kit. Goes with either. */
export const Shelving = z
  .strictObject({
    id: Id,
    gearId: Id,
    carrierId: Id,
    bay: whole(1, 12).nullable().default(null).describe('in a mount kit, from the left'),
  })
  .meta({ id: 'Shelving' });
export type Shelving = z.infer<typeof Shelving>;
