import { NewJob } from '@/core/wire/wire';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { firmFor } from '@/server/jobs';
import { createJob } from '@/server/newJobs';

export const POST = route('start', async ({ store, asker, request }) => ({
  id: await createJob(store, await readJson(request, NewJob), firmFor(asker)),
}));
