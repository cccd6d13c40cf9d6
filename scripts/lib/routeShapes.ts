import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Addresses of all routes and pages of a build, as their folders say them, such as `/api/jobs/[id]/events`. */
export const routesOf = (folder: string): string[] =>
  Object.values(
    JSON.parse(readFileSync(join(folder, 'app-path-routes-manifest.json'), 'utf8')) as Record<string, string>,
  );

/** One step of an address: what may follow a word, or a name in its place; and the route that ends here. */
type Step = { words: Map<string, Step>; named: Step | null; rest: string | null; route: string | null };
const step = (): Step => ({ words: new Map(), named: null, rest: null, route: null });

/** What an address that no route has is called: what stands in it may be a secret. */
export const OTHER = '/other';

/**
 * What of an address is no secret, for logs and metrics: the route that it belongs to, with `:id` and the like in place of ids,
 * tokens and words that were sought.
 * @param routes as `routesOf` gives them
 */
export function routeShapes(routes: readonly string[]): (url: string) => string {
  const start = step();
  for (const route of routes) {
    let at = start;
    const shape = route.replace(/\[\[?\.*(\w+)\]?\]/g, ':$1');
    for (const part of route.split('/').slice(1)) {
      if (/^\[\[?\.\.\./.test(part)) {
        at.rest = shape;
        if (part.startsWith('[[')) at.route ??= shape;
        break;
      }
      if (part.startsWith('[')) {
        at.named ??= step();
        at = at.named;
        continue;
      }
      const next = at.words.get(part) ?? step();
      at.words.set(part, next);
      at = next;
    }
    if (!route.includes('...')) at.route = shape;
  }
  const find = (at: Step, parts: readonly string[]): string | null => {
    const [part, ...behind] = parts;
    if (part === undefined) return at.route;
    const word = at.words.get(part);
    return (word && find(word, behind)) ?? (part !== '' && at.named ? find(at.named, behind) : null) ?? at.rest;
  };
  return (url) => {
    const [path = '/'] = url.split('?');
    if (path.startsWith('/_next/')) return '/_next';
    return find(start, path.split('/').slice(1)) ?? OTHER;
  };
}
