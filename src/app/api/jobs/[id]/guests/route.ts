import { NewGuest } from '@/core/trade/people/people';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';
import { openToGuest } from '@/server/shares';

export const POST = route('share', async ({ store, asker, job, request }) =>
  openToGuest(store, memberOf(asker), job.id, await readJson(request, NewGuest)),
);
