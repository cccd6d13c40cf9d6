import { meOf } from '@/server/accounts';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const GET = route('me', async ({ store, asker }) => meOf(store, memberOf(asker)));
