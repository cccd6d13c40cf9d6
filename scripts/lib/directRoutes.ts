import type { IncomingMessage, ServerResponse } from 'node:http';
import { pathToFileURL } from 'node:url';
import { getRequestListener } from '@hono/node-server';
import { Hono } from 'hono';
import { builtPart } from './builtParts';

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
type Routes = { ROUTES: [path: string, handlers: Partial<Record<(typeof METHODS)[number], Handler>>][] };

/**
 * The routes, called without the framework's way to them, which costs several times what most of them do. What is no route of
 * ours, or is asked in a way that a route does not know, is left to the framework.
 * @returns whether it is answered here
 */
export async function directRoutes(): Promise<(request: IncomingMessage, response: ServerResponse) => boolean> {
  const routes = new Hono();
  for (const [path, handlers] of ((await import(pathToFileURL(builtPart('routes')).href)) as Routes).ROUTES)
    for (const method of METHODS) {
      const { [method]: handler } = handlers;
      if (handler) routes.on(method, path, (c) => handler(c.req.raw, { params: Promise.resolve(c.req.param()) }));
    }
  const listener = getRequestListener(routes.fetch, { overrideGlobalObjects: false });
  return (request, response) => {
    const [path = '/'] = (request.url ?? '/').split('?');
    if (routes.router.match(request.method ?? '', path)[0].length === 0) return false;
    void listener(request, response);
    return true;
  };
}
