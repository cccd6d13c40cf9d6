import { type NextRequest, NextResponse } from 'next/server';

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** On every answer, whatever it is. */
const EVERYWHERE = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-resource-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'permissions-policy': 'geolocation=(), microphone=(), payment=()',
};

/** Pages run our own scripts and nothing that somebody put into a page. Style attributes are the interface's own. */
const pagePolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** Files and data run nothing at all, a drawing that is opened by itself among them. */
const DATA_POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; frame-ancestors 'none'";

/** Scripts that our pages fetch, those of workers among them: a worker goes by the policy of its own script. */
const STATIC_POLICY =
  "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'; style-src 'self'; font-src 'self'; frame-ancestors 'none'";

const LINK_POLICY = "base-uri 'none'; object-src 'none'; form-action 'self'; frame-ancestors 'none'";

function turnAway(status: number, code: string, message: string): NextResponse {
  const answer = NextResponse.json({ code, message, at: null }, { status });
  return withHeaders(answer, DATA_POLICY, true);
}

function withHeaders(answer: NextResponse, policy: string, fresh: boolean): NextResponse {
  for (const [name, value] of Object.entries(EVERYWHERE)) answer.headers.set(name, value);
  answer.headers.set('content-security-policy', policy);
  if (fresh) answer.headers.set('cache-control', 'no-store');
  if (scheme === 'https') answer.headers.set('strict-transport-security', TLS_ONLY);
  return answer;
}

/** Whether an address can be read at all: no half escapes, nothing that ends a text in the database. */
function isReadable(url: string): boolean {
  try {
    return !decodeURIComponent(url).includes('\0');
  } catch {
    return false;
  }
}

/** Set by the command that serves others; without it only this machine may come in. */
const withAccounts = process.env.SHELF_ACCOUNTS === '1';
const scheme = process.env.SHELF_SCHEME === 'https' ? 'https' : 'http';
const hosts = new Set((process.env.SHELF_HOSTS ?? '').split(',').filter(Boolean));
/** A year, once a browser came by TLS. */
const TLS_ONLY = 'max-age=31536000';

/**
 * Without accounts only this machine may come in: the address is loopback. With them it answers to its own names. Both turn
 * away pages of other sites that point their name, or their forms, at it.
 */
function strangerFault(request: NextRequest): NextResponse | null {
  const host = request.headers.get('host') ?? '';
  const origin = request.headers.get('origin');
  const reads = request.method === 'GET' || request.method === 'HEAD';
  const site = request.headers.get('sec-fetch-site');
  // Since our pages tell nobody where they lead from, their own forms come from `null` too: then only the browser knows.
  const unsaid = origin === null || origin === 'null';
  const foreign =
    (!unsaid && origin !== `${scheme}://${host}`) ||
    (site === null ? origin === 'null' : site !== 'same-origin' && site !== 'none');
  if (withAccounts && !hosts.has(host))
    return turnAway(403, 'not-here', 'Good Shelf does not answer to this name: whoever serves it gives its names.');
  if (!withAccounts && !LOCAL.test(host)) return turnAway(403, 'not-local', 'Good Shelf answers on this machine only.');
  if (!reads && foreign) return turnAway(403, 'foreign', 'This was sent by a page of another site.');
  return null;
}

export function proxy(request: NextRequest) {
  const fault = strangerFault(request);
  if (fault) return fault;
  const { pathname, search } = request.nextUrl;
  if (!isReadable(pathname) || !isReadable(search.replaceAll('+', ' ')))
    return turnAway(400, 'bad-request', 'The address cannot be read: it holds a broken escape, or a NUL.');

  if (pathname.startsWith('/_next/static/')) return withHeaders(NextResponse.next(), STATIC_POLICY, false);
  if (pathname === '/sw.js') return withHeaders(NextResponse.next(), STATIC_POLICY, true);
  // Pages for those who hold a link bring a policy of their own, stricter than ours.
  if (pathname.startsWith('/l/')) return withHeaders(NextResponse.next(), LINK_POLICY, true);
  if (/^\/(api|schema)\//.test(pathname)) return withHeaders(NextResponse.next(), DATA_POLICY, true);
  const nonce = btoa(crypto.randomUUID());
  const policy = pagePolicy(nonce);
  // The framework reads the policy of the request and puts the nonce on its own scripts.
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('x-shelf-path', `${pathname}${search}`);
  headers.set('content-security-policy', policy);
  return withHeaders(NextResponse.next({ request: { headers } }), policy, true);
}
