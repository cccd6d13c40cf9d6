import { answer } from '@/server/answer';
import { askedSteps } from '@/server/asked';
import { historyOf } from '@/server/pastJobs';
import { getStore } from '@/server/store';

export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/history'>) =>
  answer(async () => historyOf(await getStore(), (await params).id, askedSteps(request)));
