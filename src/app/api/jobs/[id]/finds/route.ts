import { answer } from '@/server/answer';
import { findsOfOthers } from '@/server/keptFiles';
import { getStore } from '@/server/store';

/** Faults found in other jobs than this one. */
export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]/finds'>) =>
  answer(async () => findsOfOthers(await getStore(), (await params).id));
