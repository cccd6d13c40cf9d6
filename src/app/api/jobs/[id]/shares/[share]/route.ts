import { route } from '@/server/door';
import { memberOf } from '@/server/member';
import { takeBackShare } from '@/server/shares';

export const DELETE = route<{ id: string; share: string }>('share', async ({ store, asker, job, params }) =>
  takeBackShare(store, memberOf(asker), job.id, params.share),
);
