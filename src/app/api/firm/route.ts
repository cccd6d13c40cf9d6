import { FirmName } from '@/core/trade/people/people';
import { firmOf, nameFirm } from '@/server/accounts';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';

export const GET = route('firm', async ({ store, asker }) => firmOf(store, memberOf(asker)));

export const POST = route('firm', async ({ store, asker, request }) =>
  nameFirm(store, memberOf(asker), (await readJson(request, FirmName)).name),
);
