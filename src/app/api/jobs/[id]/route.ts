import { refuse } from '@/core/job/refusal';
import { answer } from '@/server/answer';
import { openJob } from '@/server/jobs';
import { getStore } from '@/server/store';

export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]'>) =>
  answer(async () => (await openJob(await getStore(), (await params).id)) ?? refuse('no-job', 'There is no such job.'));
