import { answer } from '@/server/answer';
import { askedBy } from '@/server/asked';
import { openJob } from '@/server/jobs';
import { noJob } from '@/server/noJob';
import { getStore } from '@/server/store';

export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]'>) =>
  answer(async () => {
    const { id } = await params;
    return (await openJob(await getStore(), askedBy(request), id)) ?? noJob();
  });
