import { NewJob } from '@/core/wire/wire';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { createJob, firmFor } from '@/server/jobs';

export const POST = route('start', async ({ store, asker, request }) => ({
  id: await createJob(store, await readJson(request, NewJob), firmFor(asker)),
}));
