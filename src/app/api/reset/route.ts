import { Reset } from '@/core/trade/people/people';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { deviceOf } from '@/server/member';
import { resetPassword } from '@/server/passes';

export const POST = route('open', async ({ store, request }) => {
  await resetPassword(store, await readJson(request, Reset), deviceOf(request));
  return { out: true };
});
