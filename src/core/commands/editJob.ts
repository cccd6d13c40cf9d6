import { z } from 'zod';
import { JobHead } from '../job/job';
import { commandKind } from './command';

/** Change the job's name or units. */
export const editJob = commandKind({
  schema: z.strictObject({
    type: z.literal('editJob'),
    changes: z.strictObject({ name: JobHead.shape.name, units: z.enum(['metric', 'imperial']) }).partial(),
  }),
  apply: (job, { changes }) => {
    Object.assign(job, changes);
  },
  describe: (_, { changes }) => (changes.name ? `Rename the job to ${changes.name}` : `Show ${changes.units} units`),
});
