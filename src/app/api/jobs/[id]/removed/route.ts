import { Removal } from '@/core/wire/wire';
import { answer, readJson } from '@/server/answer';
import { removeJob } from '@/server/jobs';
import { getStore } from '@/server/store';

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/removed'>) =>
  answer(async () => {
    const { removed } = await readJson(request, Removal);
    await removeJob(await getStore(), (await params).id, removed);
    return { removed };
  });
