import { z } from 'zod';
import { JobPage, RemovedJob } from '../../job/document/jobListing';

/**
 * The list of jobs, and what is in the bin. `me`: who signed in, null where there are no accounts; `mayStart`: whether they may start a
 * job, and remove one.
 */
export const ListAnswer = z.object({
  list: JobPage,
  removed: z.array(RemovedJob),
  me: z.object({ name: z.string(), owner: z.boolean() }).nullable(),
  mayStart: z.boolean(),
});
export type ListAnswer = z.infer<typeof ListAnswer>;

export const Created = z.object({ id: z.string() });
export const TakenIn = z.object({
  id: z.string(),
  renewed: z.boolean(),
  notes: z.array(z.string()),
  jobs: z.number().optional(),
});
export const RemovedAnswer = z.object({ removed: z.boolean() });

export const Removal = z.strictObject({ removed: z.boolean() });
