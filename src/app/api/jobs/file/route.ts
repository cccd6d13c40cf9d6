import { MOST_BYTES, readBytes } from '@/server/answer';
import { route } from '@/server/door';
import { firmFor, takeInFile } from '@/server/jobs';

const MOST_NAME = 80;

/** Start from a pack, a job file or a port map; a port map does not say what the job is called. */
export const POST = route('start', async ({ store, asker, request }) => {
  const name = new URL(request.url).searchParams.get('name')?.trim().slice(0, MOST_NAME) || 'Job from a port map';
  return takeInFile(store, await readBytes(request, MOST_BYTES.file), name, firmFor(asker));
});
