import { answer, MOST_BYTES, readBody } from '@/server/answer';
import { takeInJob } from '@/server/jobs';
import { getStore } from '@/server/store';

export const POST = (request: Request) =>
  answer(async () => takeInJob(await getStore(), await readBody(request, MOST_BYTES.file)));
