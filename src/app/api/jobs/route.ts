import { NewJob } from '@/core/wire/wire';
import { answer, readJson } from '@/server/answer';
import { createJob } from '@/server/jobs';
import { getStore } from '@/server/store';

export const POST = (request: Request) =>
  answer(async () => ({ id: await createJob(await getStore(), await readJson(request, NewJob)) }));
