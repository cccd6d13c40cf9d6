import { Join } from '@/core/trade/people/people';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { deviceOf } from '@/server/member';
import { join } from '@/server/passes';
import { cookieFor } from '@/server/signIns';

export const POST = route('open', async ({ store, request }) => {
  const token = await join(store, await readJson(request, Join), deviceOf(request));
  return Response.json({ next: 'in' }, { headers: { 'set-cookie': await cookieFor(token) } });
});
