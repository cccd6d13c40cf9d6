import { Given } from '@/core/people/people';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';
import { giveTo } from '@/server/shares';

export const POST = route('give', async ({ store, asker, job, request }) => {
  await giveTo(store, memberOf(asker), job.id, (await readJson(request, Given)).firm);
  return { out: true };
});
