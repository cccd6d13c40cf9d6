import { answer, readJson } from '@/server/answer';
import { applyBatch, Batch } from '@/server/jobs';
import { getStore } from '@/server/store';

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/batches'>) =>
  answer(async () => {
    const outcome = await applyBatch(await getStore(), (await params).id, await readJson(request, Batch));
    return Response.json(outcome, { status: outcome.status === 'stale' ? 409 : 200 });
  });
