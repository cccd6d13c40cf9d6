import { gearFileSchema } from './gearFile';
import { jobFileSchema } from './jobFile';

/** The JSON Schema of each file that can be read, by the name under which it is given out. */
export const SCHEMAS: Record<string, () => object> = { 'job.json': jobFileSchema, 'gear.json': gearFileSchema };
