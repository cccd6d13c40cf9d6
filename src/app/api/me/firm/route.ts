import { Given } from '@/core/trade/people/people';
import { chooseFirm } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const POST = route('me', async ({ store, asker, request }) =>
  chooseFirm(store, memberOf(asker), (await readJson(request, Given)).firm),
);
