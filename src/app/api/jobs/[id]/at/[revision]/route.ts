import { readRevision } from '@/server/asked';
import { route } from '@/server/door';
import { jobAtRevision } from '@/server/pastJobs';

export const GET = route<{ id: string; revision: string }>('read', async ({ store, job, params }) => {
  const revision = readRevision(params.revision);
  return { job: await jobAtRevision(store, job.id, revision), revision };
});
