import { randomUUID } from 'node:crypto';
import { type NextRequest, NextResponse } from 'next/server';
import { answerHeaders, awayWords, gateOf, isPage, turnedAway } from '@/server/gate';

const gate = gateOf(process.env);

/** All that is asked of the server comes through here first: pages, routes and files, in development as in production. */
export function proxy(request: NextRequest): NextResponse {
  const { method, headers } = request;
  const { pathname, search } = new URL(request.url);
  const nonce = randomUUID();
  const header = (name: string) => headers.get(name) ?? undefined;
  const fault = turnedAway(gate, {
    method,
    url: `${pathname}${search}`,
    host: header('host'),
    origin: header('origin'),
    site: header('sec-fetch-site'),
  });
  const own = answerHeaders(gate, fault ? '/api/' : pathname, nonce);
  if (fault) {
    return NextResponse.json(awayWords(fault), { status: fault.status, headers: own });
  }
  const asked = new Headers(headers);
  if (isPage(pathname)) {
    // The framework reads the policy of the request and puts the nonce on its own scripts.
    asked.set('content-security-policy', own['content-security-policy'] ?? '');
    asked.set('x-nonce', nonce);
    asked.set('x-shelf-path', `${pathname}${search}`);
  }
  const response = NextResponse.next({ request: { headers: asked } });
  for (const [name, value] of Object.entries(own)) response.headers.set(name, value);
  return response;
}
