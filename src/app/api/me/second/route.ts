import { SecondFactor } from '@/core/trade/people/people';
import { secondFactor } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const POST = route('me', async ({ store, asker, request }) =>
  secondFactor(store, memberOf(asker), await readJson(request, SecondFactor)),
);
