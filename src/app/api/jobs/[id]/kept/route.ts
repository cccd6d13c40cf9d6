import { NewKeptFile } from '@/core/exchange/wire/kept';
import { MOST_BYTES, readJson } from '@/server/answer';
import { nameOf } from '@/server/asked';
import { route } from '@/server/door';
import { filesOf, keepFile } from '@/server/keptFiles';

export const GET = route('read', async ({ store, job }) => filesOf(store, job.id));

export const POST = route('work', async ({ store, asker, job, request }) => {
  const file = await readJson(request, NewKeptFile, MOST_BYTES.step);
  return keepFile(store, job.id, { ...file, by: nameOf(asker) ?? file.by });
});
