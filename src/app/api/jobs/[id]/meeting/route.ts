import { Meeting } from '@/core/exchange/wire/meeting';
import { readJson } from '@/server/answer';
import { nameOf } from '@/server/asked';
import { say } from '@/server/changes';
import { route } from '@/server/door';

/** Say something to whoever else is at this job now. */
export const POST = route('read', async ({ store, asker, job, request }) => {
  const word = await readJson(request, Meeting);
  await say(store.em.fork(), job.id, { ...word, name: nameOf(asker) ?? word.name });
  return { said: true };
});
