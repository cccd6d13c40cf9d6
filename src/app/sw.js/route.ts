import { readFileSync } from 'node:fs';
import { refuse } from '@/core/base/text/refusal';
import { builtPart } from '@/server/builtParts';
import { route } from '@/server/door';

export const dynamic = 'force-dynamic';

/** The service worker of the build that answers. */
export const GET = route('open', async () => {
  const file = builtPart('serviceWorker') ?? refuse('no-file', 'There is no service worker without a build.');
  return new Response(readFileSync(file), { headers: { 'content-type': 'text/javascript; charset=utf-8' } });
});
