import { takeawayFileName } from '@/core/formats/takeaways';
import { NewReason } from '@/core/wire/handover';
import { answer, readJson } from '@/server/answer';
import { logCsv, logOf, sayWhy } from '@/server/changeLog';
import { readKept } from '@/server/jobs';
import { noJob } from '@/server/noJob';
import { getStore } from '@/server/store';

const MOST = 1_000;

/** What was done, latest first; as CSV where it is asked for. */
export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/log'>) =>
  answer(async () => {
    const { id } = await params;
    const store = await getStore();
    const { job } = (await readKept(store, id)) ?? noJob();
    if (new URL(request.url).searchParams.get('as') !== 'csv') return logOf(store, id, MOST);
    return new Response(`\uFEFF${await logCsv(store, id)}`, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="${takeawayFileName(job.name, 'change-log.csv')}"`,
        'cache-control': 'no-store',
      },
    });
  });

/** Say why a step was done. */
export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/log'>) =>
  answer(async () => {
    const { id } = await params;
    const store = await getStore();
    await sayWhy(store, id, await readJson(request, NewReason));
    return logOf(store, id, MOST);
  });
