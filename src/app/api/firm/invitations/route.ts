import { NewPass } from '@/core/trade/people/people';
import { readJson } from '@/server/answer';
import { mustBeProven, route } from '@/server/door';
import { memberOf } from '@/server/member';
import { invite } from '@/server/passes';

export const POST = route('firm', async ({ store, asker, request }) => {
  mustBeProven(asker);
  return invite(store, memberOf(asker), (await readJson(request, NewPass)).role);
});
