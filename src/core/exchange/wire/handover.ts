import { z } from 'zod';

/** Why a step was done, said later. */
export const NewReason = z.strictObject({
  revision: z.number().int().min(1),
  reason: z
    .string()
    .trim()
    .max(300)
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, 'expected one line of plain text'),
});
export type NewReason = z.infer<typeof NewReason>;

export const ChangeLog = z.array(
  z.object({ revision: z.number(), at: z.string(), who: z.string(), what: z.string(), why: z.string() }),
);
export type ChangeLog = z.infer<typeof ChangeLog>;
