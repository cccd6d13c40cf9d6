import { takeawayFileName } from '@/core/exchange/formats/takeaways';
import { NewReason } from '@/core/exchange/wire/handover';
import { readJson } from '@/server/answer';
import { logCsv, logOf, sayWhy } from '@/server/changeLog';
import { route } from '@/server/door';
import { readKept } from '@/server/jobs';
import { noJob } from '@/server/noJob';

const MOST = 1_000;

/** What was done, latest first; as CSV where it is asked for. */
export const GET = route('read', async ({ store, job: { id }, request }) => {
  const { job } = (await readKept(store, id)) ?? noJob();
  if (new URL(request.url).searchParams.get('as') !== 'csv') return logOf(store, id, MOST);
  return new Response(`\uFEFF${await logCsv(store, id)}`, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${takeawayFileName(job.name, 'change-log.csv')}"`,
    },
  });
});

/** Say why a step was done. */
export const POST = route('edit', async ({ store, job: { id }, request }) => {
  await sayWhy(store, id, await readJson(request, NewReason));
  return logOf(store, id, MOST);
});
