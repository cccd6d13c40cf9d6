import { z } from 'zod';
import { Id } from './fields';

/** A run through a pathway. Goes with either. */
export const Passage = z.strictObject({ id: Id, pathwayId: Id, runId: Id }).meta({ id: 'Passage' });
export type Passage = z.infer<typeof Passage>;
