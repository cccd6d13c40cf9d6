import { z } from 'zod';
import { Id, whole } from './fields';

/** A run ended on a port of a panel. Goes with its run or its panel. */
export const Landing = z
  .strictObject({
    id: Id,
    runId: Id,
    panelId: Id,
    port: whole(1, 1152),
  })
  .meta({ id: 'Landing' });
export type Landing = z.infer<typeof Landing>;
