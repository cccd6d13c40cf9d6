import { z } from 'zod';
import { amount, Id, name, whole } from './fields';

/** A 19-inch rack or cabinet. Units are counted from the bottom inside; `numbering` is how they are shown. */
export const Rack = z
  .strictObject({
    id: Id,
    name: name(),
    units: whole(1, 60).describe('rack units'),
    depthMm: whole(50, 2000).describe('usable depth behind the front rails, mm'),
    numbering: z.enum(['from-bottom', 'from-top']).default('from-bottom'),
    frontClearanceMm: whole(0, 500).nullable().default(null).describe('front rails to door, mm'),
    ratedLoadKg: amount(0, 5000).nullable().default(null),
  })
  .meta({ id: 'Rack' });
export type Rack = z.infer<typeof Rack>;
