import { z } from 'zod';
import { Id, whole } from './fields';

export const JOINTS = ['none', 'coupler', 'joint'] as const;
export type Joint = (typeof JOINTS)[number];

/** A run ended on a port of a panel. Goes with its run or its panel. */
export const Landing = z
  .strictObject({
    id: Id,
    runId: Id,
    panelId: Id,
    port: whole(1, 1152),
    joint: z.enum(JOINTS).default('none').describe('how a cable that was too short was made longer'),
    jointMm: whole(1, 100_000).nullable().default(null).describe('by how much'),
  })
  .meta({ id: 'Landing' });
export type Landing = z.infer<typeof Landing>;
