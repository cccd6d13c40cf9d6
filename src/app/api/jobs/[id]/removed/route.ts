import { z } from 'zod';
import { answer, readJson } from '@/server/answer';
import { removeJob } from '@/server/jobs';
import { getStore } from '@/server/store';

const Body = z.strictObject({ removed: z.boolean() });

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/removed'>) =>
  answer(async () => {
    const { removed } = await readJson(request, Body);
    await removeJob(await getStore(), (await params).id, removed);
    return { removed };
  });
