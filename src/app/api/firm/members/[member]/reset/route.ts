import { offerReset } from '@/server/accounts';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const POST = route<{ member: string }>('firm', async ({ store, asker, params }) =>
  offerReset(store, memberOf(asker), params.member),
);
