import { z } from 'zod';
import { Id, whole } from './fields';

/** Where a device stands. `bottomU` is its lowest unit, counted from the bottom, 1 lowest. Goes with its gear or rack. */
export const Placement = z
  .strictObject({
    id: Id,
    gearId: Id,
    rackId: Id,
    bottomU: whole(1, 60),
  })
  .meta({ id: 'Placement' });
export type Placement = z.infer<typeof Placement>;
