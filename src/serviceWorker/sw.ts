/// <reference lib="webworker" />

/* The program, kept in a browser: what never changes comes from here, pages come from the server while there is one. */

declare const self: ServiceWorkerGlobalScope;
/** Put in when it is built: the number of the build, and the addresses of all its parts; null in development, where they change. */
declare const BUILD: string;
declare const PARTS: readonly string[] | null;

/** Named by the build: an older program keeps its own parts until its last window is closed. */
const KEPT = `good-shelf-${BUILD}`;
const OURS = /^good-shelf-(?!today$)/;
/** The pages at the rack, which hold nothing of any job. */
const SHELLS = { jobs: '/rack', job: '/jobs/_/rack' } as const;
/** A page that takes longer comes from here. */
const LONGEST_MS = 3500;

/** So many are fetched at the same time: browsers keep six connections to a server. */
const AT_ONCE = 6;

/** Keep parts that are not kept yet. One that cannot be fetched now is fetched when it is asked for, or the next time. */
async function keep(parts: readonly string[]): Promise<void> {
  const kept = await caches.open(KEPT);
  // Those that are here already, from a time that was broken off, are not fetched again.
  const there = new Set((await kept.keys()).map(({ url }) => new URL(url).pathname));
  const missing = parts.filter((one) => !there.has(one));
  const next = async (): Promise<void> => {
    for (let one = missing.shift(); one !== undefined; one = missing.shift())
      await kept.add(one).catch(() => undefined);
  };
  await Promise.all(Array.from({ length: AT_ONCE }, next));
}

// What the pages at the rack need to open; the rest of the program follows once one of them is open.
self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const kept = await caches.open(KEPT);
      const named = new Set<string>();
      for (const shell of Object.values(SHELLS)) {
        const answer = await fetch(shell);
        if (!answer.ok || answer.redirected) throw new Error(`${shell} cannot be kept`);
        for (const [part] of (await answer.clone().text()).matchAll(/\bstatic\/[\w./~-]+/g))
          named.add(`/_next/${part}`);
        await kept.put(shell, answer);
      }
      await keep(PARTS ? PARTS.filter((one) => named.has(one) || one.endsWith('.woff2')) : [...named]);
    })(),
  );
});

self.addEventListener('message', (event) => {
  if (event.data === 'keep the rest') event.waitUntil(keep(PARTS ?? []));
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (OURS.test(name) && name !== KEPT) await caches.delete(name);
      await self.clients.claim();
    })(),
  );
});

const shellOf = (path: string): string | null =>
  path === '/rack' ? SHELLS.jobs : /^\/jobs\/[^/]+\/rack(\/|$)/.test(path) ? SHELLS.job : null;

async function part(request: Request): Promise<Response> {
  const cache = await caches.open(KEPT);
  const address = request.url.split('#')[0] ?? request.url;
  const kept = await cache.match(address);
  if (!PARTS) {
    const answer = await fetch(request).catch(() => kept);
    if (answer?.ok && answer !== kept) await cache.put(address, answer.clone());
    return answer ?? Response.error();
  }
  if (!kept) {
    const answer = await fetch(request);
    if (answer.ok && PARTS.includes(new URL(address).pathname)) await cache.put(address, answer.clone());
    return answer;
  }
  // A worker is told by what stands behind # in its address, which a kept answer would take away.
  if (/worker/.test(request.destination))
    return new Response(kept.body, { status: kept.status, headers: kept.headers });
  return kept;
}

async function shell(request: Request, name: string): Promise<Response> {
  const kept = async () => (await caches.open(KEPT)).match(name);
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(LONGEST_MS) });
    // What stands between us and the server answers for it: the page from here does better.
    return answer.ok || answer.redirected ? answer : ((await kept()) ?? answer);
  } catch (fault) {
    const page = await kept();
    if (page) return page;
    throw fault;
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (url.pathname.startsWith('/_next/static/')) event.respondWith(part(request));
  else if (request.mode === 'navigate') {
    const name = shellOf(url.pathname);
    if (name) event.respondWith(shell(request, name));
  }
});

export {};
