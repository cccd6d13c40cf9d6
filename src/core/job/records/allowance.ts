import { z } from 'zod';
import { Id } from './fields';

/** A network that a switch may carry. A switch with none of these may carry all. */
export const Allowance = z.strictObject({ id: Id, gearId: Id, networkId: Id }).meta({ id: 'Allowance' });
export type Allowance = z.infer<typeof Allowance>;
