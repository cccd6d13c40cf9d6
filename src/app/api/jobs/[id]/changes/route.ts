import { refuse } from '@/core/text/refusal';
import { answer } from '@/server/answer';
import { askedBy, askedPoint } from '@/server/asked';
import { catchUp } from '@/server/jobs';
import { getStore } from '@/server/store';

export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/changes'>) =>
  answer(async () => {
    const since = askedPoint(request);
    if (!since) return refuse('bad-request', 'history, revision and step: expected where the asker stands.');
    return catchUp(await getStore(), askedBy(request), (await params).id, since);
  });
