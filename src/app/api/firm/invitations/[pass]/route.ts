import { mustBeProven, route } from '@/server/door';
import { memberOf } from '@/server/member';
import { withdraw } from '@/server/passes';

export const DELETE = route<{ pass: string }>('firm', async ({ store, asker, params }) => {
  mustBeProven(asker);
  return withdraw(store, memberOf(asker), params.pass);
});
