import { refuse } from '@/core/job/refusal';
import { answer } from '@/server/answer';
import { fileName, JOB_FILES } from '@/server/files';
import { openJob } from '@/server/jobs';
import { getStore } from '@/server/store';

export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]/files/[file]'>) =>
  answer(async () => {
    const { id, file } = await params;
    const kind = Object.hasOwn(JOB_FILES, file) ? JOB_FILES[file] : undefined;
    const open = kind && (await openJob(await getStore(), id));
    if (!kind || !open) return refuse('no-job', 'There is no such job, or no such file of it.');
    return new Response(kind.make(open.job), {
      headers: {
        'content-type': kind.type,
        'content-disposition': `attachment; filename="${fileName(open.job, file)}"`,
        'cache-control': 'no-store',
      },
    });
  });
