import { z } from 'zod';
import { Id } from './fields';

/** Two devices that are to touch, one right above the other, wherever they stand. */
export const Neighbour = z.strictObject({ id: Id, gearId: Id, besideId: Id }).meta({ id: 'Neighbour' });
export type Neighbour = z.infer<typeof Neighbour>;
