import { Batch, renewBatch } from '@/core/exchange/wire/wire';
import { MOST_BYTES, readJson } from '@/server/answer';
import { asActor } from '@/server/asked';
import { mayChange } from '@/server/can';
import { route } from '@/server/door';
import { applyBatch } from '@/server/jobs';

export const POST = route('work', async ({ store, asker, job, request }) => {
  const batch = await readJson(request, Batch, MOST_BYTES.step, renewBatch);
  const sent = { ...batch, actor: asActor(asker, batch.actor) };
  return applyBatch(store, job.id, sent, (changes) => mayChange(asker, job, changes));
});
