import { readFileSync } from 'node:fs';
import { builtPart } from '@/server/builtParts';

export const dynamic = 'force-dynamic';

/** The service worker of the build that answers. */
export function GET(): Response {
  const file = builtPart('serviceWorker');
  if (file === null) return new Response('There is no service worker without a build.\n', { status: 404 });
  return new Response(readFileSync(file), { headers: { 'content-type': 'text/javascript; charset=utf-8' } });
}
