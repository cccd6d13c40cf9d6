import { route } from '@/server/door';
import { archiveOf, scopeOf } from '@/server/jobs';

/** All jobs as one file. */
export const GET = route('export', async ({ store, asker }) => {
  const body = await archiveOf(store, scopeOf(asker));
  return new Response(body as BodyInit, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="all-jobs.zip"',
    },
  });
});
