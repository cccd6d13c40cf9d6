import { Given } from '@/core/trade/people/people';
import { provePassword } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';
import { giveTo } from '@/server/shares';

export const POST = route('give', async ({ store, asker, job, request }) => {
  const { firm, password } = await readJson(request, Given);
  const by = memberOf(asker);
  await provePassword(store, by, password);
  await giveTo(store, by, job.id, firm);
  return { out: true };
});
