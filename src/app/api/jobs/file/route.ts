import { answer, MOST_BYTES, readBytes } from '@/server/answer';
import { takeInFile } from '@/server/jobs';
import { getStore } from '@/server/store';

const MOST_NAME = 80;

/** Start from a pack, a job file or a port map; a port map does not say what the job is called. */
export const POST = (request: Request) =>
  answer(async () => {
    const name = new URL(request.url).searchParams.get('name')?.trim().slice(0, MOST_NAME) || 'Job from a port map';
    return takeInFile(await getStore(), await readBytes(request, MOST_BYTES.file), name);
  });
