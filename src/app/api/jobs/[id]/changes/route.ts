import { z } from 'zod';
import { refuse } from '@/core/job/refusal';
import { answer } from '@/server/answer';
import { catchUp } from '@/server/jobs';
import { getStore } from '@/server/store';

const Since = z.coerce.number().int().min(0);

export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/changes'>) =>
  answer(async () => {
    const since = Since.safeParse(new URL(request.url).searchParams.get('since'));
    if (!since.success) return refuse('bad-request', 'since: expected a revision, a whole number from 0.');
    return catchUp(await getStore(), (await params).id, since.data);
  });
