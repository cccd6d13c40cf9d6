import { Removal } from '@/core/exchange/wire/jobList';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { removeJob } from '@/server/jobs';
import { noteOn } from '@/server/noteOn';

export const POST = route('remove', async ({ store, asker, job, request }) => {
  const { removed } = await readJson(request, Removal);
  await removeJob(store, job.id, removed);
  await noteOn(store, asker, job.id, removed ? 'put a job into the bin' : 'took a job out of the bin');
  return { removed };
});
