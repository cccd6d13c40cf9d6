import { route } from '@/server/door';
import { memberOf } from '@/server/member';
import { closeToGuest } from '@/server/shares';

export const DELETE = route<{ id: string; guest: string }>('share', async ({ store, asker, job, params }) =>
  closeToGuest(store, memberOf(asker), job.id, params.guest),
);
