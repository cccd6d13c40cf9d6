import { takeawayFileName } from '@/core/exchange/formats/takeaways';
import { readRevision } from '@/server/asked';
import { route } from '@/server/door';
import { jobAtRevision } from '@/server/pastJobs';
import { inThread } from '@/server/workPool';

/** Two versions side by side on paper: what came in red, what was in black. */
export const GET = route('read', async ({ store, job: { id }, request }) => {
  const words = new URL(request.url).searchParams;
  const [from, to] = [words.get('from') ?? '', words.get('to') ?? ''].map(readRevision) as [number, number];
  const [before, after] = [await jobAtRevision(store, id, from), await jobAtRevision(store, id, to)];
  const body = await inThread('compared', { before, after, from, to, root: process.cwd() });
  return new Response(body as BodyInit, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${takeawayFileName(after.name, 'compared.pdf')}"`,
    },
  });
});
