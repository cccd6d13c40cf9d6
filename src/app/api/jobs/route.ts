import { NewJob } from '@/core/job/commands/newJob';
import { JobsAsked } from '@/core/job/document/jobListing';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { firmFor, listFor } from '@/server/jobs';
import { createJob } from '@/server/newJobs';

export const GET = route('list', ({ store, asker, request }) =>
  listFor(store, asker, JobsAsked.parse(Object.fromEntries(new URL(request.url).searchParams))),
);

export const POST = route('start', async ({ store, asker, request }) => ({
  id: await createJob(store, await readJson(request, NewJob), firmFor(asker)),
}));
