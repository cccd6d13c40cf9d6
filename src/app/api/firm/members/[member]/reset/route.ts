import { mustBeProven, route } from '@/server/door';
import { memberOf } from '@/server/member';
import { offerReset } from '@/server/passes';

export const POST = route<{ member: string }>('firm', async ({ store, asker, params }) => {
  mustBeProven(asker);
  return offerReset(store, memberOf(asker), params.member);
});
