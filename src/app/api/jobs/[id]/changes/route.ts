import { refuse } from '@/core/base/text/refusal';
import { askedBy, askedPoint } from '@/server/asked';
import { route } from '@/server/door';
import { catchUp } from '@/server/jobs';

export const GET = route('read', async ({ store, asker, job, request }) => {
  const since = askedPoint(request);
  if (!since) return refuse('bad-request', 'history, revision and step: expected where the asker stands.');
  return catchUp(store, askedBy(asker, request), job.id, since);
});
