import { NewShare } from '@/core/trade/people/people';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { memberOf } from '@/server/member';
import { makeShare, sharesFor } from '@/server/shares';

export const GET = route('share', async ({ store, job }) => sharesFor(store, job.id));

export const POST = route('share', async ({ store, asker, job, request }) =>
  makeShare(store, memberOf(asker), job.id, await readJson(request, NewShare)),
);
