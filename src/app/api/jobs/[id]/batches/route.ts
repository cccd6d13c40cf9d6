import { Batch } from '@/core/wire/wire';
import { answer, MOST_BYTES, readJson } from '@/server/answer';
import { applyBatch } from '@/server/jobs';
import { getStore } from '@/server/store';

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/batches'>) =>
  answer(async () => applyBatch(await getStore(), (await params).id, await readJson(request, Batch, MOST_BYTES.step)));
