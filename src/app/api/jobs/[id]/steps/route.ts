import { answer, readJson } from '@/server/answer';
import { Reversal, reverse } from '@/server/jobs';
import { getStore } from '@/server/store';

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/steps'>) =>
  answer(async () => {
    const outcome = await reverse(await getStore(), (await params).id, await readJson(request, Reversal));
    return Response.json(outcome, { status: outcome.status === 'stale' ? 409 : 200 });
  });
