import { NewRole } from '@/core/trade/people/people';
import { setRole } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { mustBeProven, route } from '@/server/door';
import { memberOf } from '@/server/member';

export const POST = route<{ member: string }>('firm', async ({ store, asker, request, params }) => {
  mustBeProven(asker);
  return setRole(store, memberOf(asker), params.member, (await readJson(request, NewRole)).role);
});

export const DELETE = route<{ member: string }>('firm', async ({ store, asker, params }) => {
  mustBeProven(asker);
  return setRole(store, memberOf(asker), params.member, null);
});
