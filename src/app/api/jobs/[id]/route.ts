import { askedBy } from '@/server/asked';
import { route } from '@/server/door';
import { openJob } from '@/server/jobs';
import { noJob } from '@/server/noJob';

export const GET = route(
  'read',
  async ({ store, asker, job, request }) => (await openJob(store, askedBy(asker, request), job.id)) ?? noJob(),
);
