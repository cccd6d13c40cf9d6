import { NewResultValues } from '@/core/exchange/wire/kept';
import { MOST_BYTES, readJson } from '@/server/answer';
import { route } from '@/server/door';
import { keepValues } from '@/server/keptFiles';

export const POST = route('work', async ({ store, job, request }) => {
  const { results } = await readJson(request, NewResultValues, MOST_BYTES.step);
  await keepValues(store, job.id, results);
  return { kept: results.length };
});
