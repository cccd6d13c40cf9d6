import { NewPassword } from '@/core/trade/people/people';
import { changePassword } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const POST = route('me', async ({ store, asker, request }) =>
  changePassword(store, memberOf(asker), await readJson(request, NewPassword)),
);
