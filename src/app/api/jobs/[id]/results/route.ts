import { NewResultValues } from '@/core/wire/kept';
import { answer, MOST_BYTES, readJson } from '@/server/answer';
import { keepValues } from '@/server/keptFiles';
import { getStore } from '@/server/store';

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/results'>) =>
  answer(async () => {
    const { results } = await readJson(request, NewResultValues, MOST_BYTES.step);
    await keepValues(await getStore(), (await params).id, results);
    return { kept: results.length };
  });
