import { endDevice } from '@/server/accounts';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const DELETE = route<{ device: string }>('me', async ({ store, asker, params }) =>
  endDevice(store, memberOf(asker), params.device),
);
