import { refuse } from '@/core/base/text/refusal';
import { CopyJob } from '@/core/exchange/wire/newJobs';
import { readJson } from '@/server/answer';
import { can } from '@/server/can';
import { route } from '@/server/door';
import { firmFor } from '@/server/jobs';
import { copyJob } from '@/server/newJobs';

/** A new job from this one. */
export const POST = route('read', async ({ store, asker, job, request }) => {
  if (!can(asker, 'start')) refuse('not-yours', 'Your role does not permit that. An owner of the firm can change it.');
  const { name, whole } = await readJson(request, CopyJob);
  return { id: await copyJob(store, job.id, { name, whole }, firmFor(asker)) };
});
