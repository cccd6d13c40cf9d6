import { answer } from '@/server/answer';
import { valuesOf } from '@/server/keptFiles';
import { getStore } from '@/server/store';

export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]/results/[result]'>) =>
  answer(async () => {
    const { id, result } = await params;
    return valuesOf(await getStore(), id, result);
  });
