import { route } from '@/server/door';
import { forgetVersion, versionsOf } from '@/server/pastJobs';

/** Take the name off a revision; the revision itself stays. */
export const DELETE = route<{ id: string; version: string }>('edit', async ({ store, params: { id, version } }) => {
  await forgetVersion(store, id, version);
  return versionsOf(store, id);
});
