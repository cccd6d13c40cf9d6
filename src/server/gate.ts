/*
 * Before anything answers: who may come in at all, and what stands on every answer. `proxy.ts` asks here for all that comes,
 * pages, routes and files alike.
 */

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

/** Pages for those who hold a link bring a policy of their own, stricter than ours. */
const LINK_POLICY = "base-uri 'none'; object-src 'none'; form-action 'self'; frame-ancestors 'none'";

/** A year, once a browser came by TLS. */
const TLS_ONLY = 'max-age=31536000';

/** Whom the server answers. Without accounts only this machine; with them those who call it by one of its names. */
export type Gate = { accounts: boolean; scheme: 'http' | 'https'; hosts: ReadonlySet<string> };

/** What is said before, by the command that serves. */
export const gateOf = (env: Readonly<Record<string, string | undefined>>): Gate => ({
  accounts: env.SHELF_ACCOUNTS === '1',
  scheme: env.SHELF_SCHEME === 'https' ? 'https' : 'http',
  hosts: new Set((env.SHELF_HOSTS ?? '').split(',').filter(Boolean)),
});

/** Why a request is turned away. */
export type TurnedAway = { status: 400 | 403 | 405; code: string; message: string };
const away = (status: TurnedAway['status'], code: string, message: string): TurnedAway => ({ status, code, message });

/** What any of our routes and pages is asked by. */
const METHODS: readonly string[] = ['GET', 'HEAD', 'POST', 'DELETE'];

/** What is said to one who is turned away. */
export const awayWords = ({ code, message }: TurnedAway) => ({ code, message, at: null });
/** Headers of that, beside those of every answer. */
export const awayHeaders = ({ status }: TurnedAway): Record<string, string> =>
  status === 405 ? { allow: METHODS.join(', ') } : {};

/** Whether an address can be read at all: no half escapes, nothing that ends a text in the database. */
function isReadable(text: string): boolean {
  try {
    return !decodeURIComponent(text).includes('\0');
  } catch {
    return false;
  }
}

/** What of a request is looked at. */
export type Coming = {
  method: string;
  /** The address as it came, with its question. */
  url: string;
  host: string | undefined;
  origin: string | undefined;
  /** `sec-fetch-site`. */
  site: string | undefined;
};

/**
 * Why the form of a request is not answered: the framework would lead such an address elsewhere, or cannot hold such a request,
 * before it asks its proxy. The server asks here first.
 */
export function badForm({ method, url }: Pick<Coming, 'method' | 'url'>): TurnedAway | null {
  if (!METHODS.includes(method))
    return away(405, 'no-method', `${method} is not supported. Use ${METHODS.join(', ')}.`);
  // A whole address, or one without its scheme, would lead to wherever it says.
  return !url.startsWith('/') || url.startsWith('//') || url.startsWith('/\\')
    ? away(400, 'bad-request', 'Expected the path of an address, such as /jobs.')
    : null;
}

/**
 * Why a request is not answered, before anything else of it is looked at; null where it is. Pages of other sites that point their
 * name, or their forms, at this server are turned away.
 */
export function turnedAway(gate: Gate, { method, url, host = '', origin, site }: Coming): TurnedAway | null {
  if (gate.accounts && !gate.hosts.has(host))
    return away(403, 'not-here', 'Good Shelf does not answer to this name: whoever serves it gives its names.');
  if (!gate.accounts && !LOCAL.test(host)) return away(403, 'not-local', 'Good Shelf answers on this machine only.');
  const reads = method === 'GET' || method === 'HEAD';
  // Since our pages tell nobody where they lead from, their own forms come from `null` too: then only the browser knows.
  const unsaid = origin === undefined || origin === 'null';
  const foreign =
    (!unsaid && origin !== `${gate.scheme}://${host}`) ||
    (site === undefined ? origin === 'null' : site !== 'same-origin' && site !== 'none');
  if (!reads && foreign) return away(403, 'foreign', 'This was sent by a page of another site.');
  return isReadable(url.replaceAll('+', ' '))
    ? null
    : away(400, 'bad-request', 'The address cannot be read: it holds a broken escape, or a NUL.');
}

const kindOf = (path: string): 'static' | 'worker' | 'link' | 'data' | 'page' => {
  if (path.startsWith('/_next/static/')) return 'static';
  if (path === '/sw.js') return 'worker';
  if (path.startsWith('/l/')) return 'link';
  return /^\/(api|schema)\//.test(path) ? 'data' : 'page';
};

/** Whether it is a page, which needs a nonce for its scripts. */
export const isPage = (path: string): boolean => kindOf(path) === 'page';

/** What says itself how long it is kept: photographs, and streams, which nothing on the way may change. */
const KEPT_AS_IT_SAYS = /^\/api\/jobs\/[^/]+\/(kept\/|events$)/;

/** Headers of whatever answers. @param nonce of the scripts of a page */
export function answerHeaders(gate: Gate, path: string, nonce: string): Record<string, string> {
  const kind = kindOf(path);
  const policies = { static: STATIC_POLICY, worker: STATIC_POLICY, link: LINK_POLICY, data: DATA_POLICY };
  return {
    ...EVERYWHERE,
    'content-security-policy': kind === 'page' ? pagePolicy(nonce) : policies[kind],
    // What is built has its own name in every build, and is kept; all else is asked for anew.
    ...(kind === 'static' || KEPT_AS_IT_SAYS.test(path) ? {} : { 'cache-control': 'no-store' }),
    ...(gate.scheme === 'https' ? { 'strict-transport-security': TLS_ONLY } : {}),
  };
}
