import { answer } from '@/server/answer';
import { readRevision } from '@/server/asked';
import { jobAtRevision } from '@/server/pastJobs';
import { getStore } from '@/server/store';

export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]/at/[revision]'>) =>
  answer(async () => {
    const { id, revision: text } = await params;
    const revision = readRevision(text);
    return { job: await jobAtRevision(await getStore(), id, revision), revision };
  });
