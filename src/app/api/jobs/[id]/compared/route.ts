import { takeawayFileName } from '@/core/formats/takeaways';
import { answer } from '@/server/answer';
import { readRevision } from '@/server/asked';
import { jobAtRevision } from '@/server/pastJobs';
import { getStore } from '@/server/store';
import { inThread } from '@/server/workThread';

/** Two versions side by side on paper: what came in red, what was in black. */
export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/compared'>) =>
  answer(async () => {
    const { id } = await params;
    const words = new URL(request.url).searchParams;
    const [from, to] = [words.get('from') ?? '', words.get('to') ?? ''].map(readRevision) as [number, number];
    const store = await getStore();
    const [before, after] = [await jobAtRevision(store, id, from), await jobAtRevision(store, id, to)];
    const body = await inThread('compared', { before, after, from, to, root: process.cwd() });
    return new Response(body as BodyInit, {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `attachment; filename="${takeawayFileName(after.name, 'compared.pdf')}"`,
        'cache-control': 'no-store',
      },
    });
  });
