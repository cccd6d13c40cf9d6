import { refuse } from '@/core/job/refusal';
import { answer } from '@/server/answer';
import { fileName, JOB_FILES } from '@/server/files';
import { openJob } from '@/server/jobs';
import { getStore } from '@/server/store';

export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/files/[file]'>) =>
  answer(async () => {
    const { id, file } = await params;
    const kind = Object.hasOwn(JOB_FILES, file) ? JOB_FILES[file] : undefined;
    const open = kind && (await openJob(await getStore(), id));
    if (!kind || !open) return refuse('no-job', 'There is no such job, or no such file of it.');
    const address = new URL(request.url);
    // The host as the browser knows it: what a code on paper leads to must be reachable from a phone.
    address.host = request.headers.get('host') ?? address.host;
    const body = await kind.make(open.job, address);
    const shown = address.searchParams.get('show') === '1' ? 'inline' : 'attachment';
    return new Response(body as BodyInit, {
      headers: {
        'content-type': kind.type,
        'content-disposition': `${shown}; filename="${fileName(open.job, file)}"`,
        'cache-control': 'no-store',
      },
    });
  });
