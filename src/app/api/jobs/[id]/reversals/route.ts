import { Reversal } from '@/core/wire/wire';
import { answer, readJson } from '@/server/answer';
import { reverse } from '@/server/jobs';
import { getStore } from '@/server/store';

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/reversals'>) =>
  answer(async () => reverse(await getStore(), (await params).id, await readJson(request, Reversal)));
