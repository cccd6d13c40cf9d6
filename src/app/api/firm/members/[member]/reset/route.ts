import { offerReset } from '@/server/accounts';
import { mustBeProven, route } from '@/server/door';
import { memberOf } from '@/server/member';

export const POST = route<{ member: string }>('firm', async ({ store, asker, params }) => {
  mustBeProven(asker);
  return offerReset(store, memberOf(asker), params.member);
});
