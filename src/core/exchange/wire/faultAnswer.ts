import { z } from 'zod';

/** Why something could not be done, in words. `code` names the kind; `at` the record, row or field. */
export const FaultAnswer = z.object({ code: z.string(), message: z.string(), at: z.string().nullable().optional() });
export type FaultAnswer = z.infer<typeof FaultAnswer>;
