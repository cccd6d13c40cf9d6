import { Proof } from '@/core/trade/people/people';
import { proveHere } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const POST = route('me', async ({ store, asker, request }) => {
  await proveHere(store, memberOf(asker), (await readJson(request, Proof)).password);
  return { proven: true };
});
