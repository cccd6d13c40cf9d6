import { NewVersion } from '@/core/exchange/wire/wire';
import { readJson } from '@/server/answer';
import { asActor } from '@/server/asked';
import { route } from '@/server/door';
import { nameVersion, versionsOf } from '@/server/pastJobs';

export const GET = route('read', async ({ store, job }) => versionsOf(store, job.id));

export const POST = route('edit', async ({ store, asker, job: { id }, request }) => {
  const version = await readJson(request, NewVersion);
  await nameVersion(store, id, { ...version, actor: asActor(asker, version.actor) });
  return versionsOf(store, id);
});
