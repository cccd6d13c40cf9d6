import { Removal } from '@/core/wire/wire';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { removeJob } from '@/server/jobs';

export const POST = route('remove', async ({ store, job, request }) => {
  const { removed } = await readJson(request, Removal);
  await removeJob(store, job.id, removed);
  return { removed };
});
