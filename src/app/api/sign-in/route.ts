import { SignIn } from '@/core/trade/people/people';
import { signIn } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { deviceOf } from '@/server/member';
import { cookieFor } from '@/server/signIns';

export const POST = route('open', async ({ store, request }) => {
  const token = await signIn(store, await readJson(request, SignIn), deviceOf(request));
  if (token === null) return { next: 'code' };
  return Response.json({ next: 'in' }, { headers: { 'set-cookie': await cookieFor(token) } });
});
