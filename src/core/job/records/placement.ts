import { z } from 'zod';
import { Id, whole } from './fields';

/** On which rails a device hangs; upright ones stand in a corner of the cabinet instead. */
export const FACES = ['front', 'rear', 'left', 'right', 'rear-left', 'rear-right'] as const;
export type Face = (typeof FACES)[number];
/** From where what hangs on a face is seen. */
export const sideOf = (face: Face): 'front' | 'rear' => (face.startsWith('rear') ? 'rear' : 'front');

/** Where a device stands. `bottomU` is its lowest unit, counted from the bottom, 1 lowest. Goes with its gear or rack. */
export const Placement = z
  .strictObject({
    id: Id,
    gearId: Id,
    rackId: Id,
    bottomU: whole(1, 60),
    face: z.enum(FACES).default('front'),
    pinned: z.boolean().default(false).describe('stays where it is when the rest is arranged'),
  })
  .meta({ id: 'Placement' });
export type Placement = z.infer<typeof Placement>;
