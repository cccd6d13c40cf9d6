import { Reversal } from '@/core/exchange/wire/wire';
import { readJson } from '@/server/answer';
import { asActor } from '@/server/asked';
import { mayChange } from '@/server/can';
import { route } from '@/server/door';
import { reverse } from '@/server/jobs';

export const POST = route('work', async ({ store, asker, job, request }) => {
  const reversal = await readJson(request, Reversal);
  const sent = { ...reversal, actor: asActor(asker, reversal.actor) };
  return reverse(store, job.id, sent, (changes) => mayChange(asker, job, changes));
});
