import { expect, type Page, test } from '@playwright/test';
import { makeJob } from './rackJob';

const KB = 1024;
/** Everything else of the program is fetched later than so long after it was drawn. */
const BEHIND_MS = 1000;

type Travelled = {
  /** Kilobytes of pages, scripts and styles that what is drawn first is made of. */
  drawnKb: number;
  /** Kilobytes of those, of what judges the job, and of data. */
  allKb: number;
};

/** What travels for a first visit. @param first what is there as soon as the page can be used */
async function travels(page: Page, path: string, first: string): Promise<Travelled> {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const asked = new Map<string, { type: string; atMs: number; kb: number }>();
  session.on('Network.requestWillBeSent', ({ requestId, wallTime, type = '' }) =>
    asked.set(requestId, { type, atMs: wallTime * 1000, kb: 0 }),
  );
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const one = asked.get(requestId);
    if (one) one.kb = encodedDataLength / KB;
  });
  await page.addInitScript((selector) => {
    new MutationObserver((_, watch) => {
      if (!document.querySelector(selector)) return;
      watch.disconnect();
      performance.mark('drawn');
    }).observe(document, { childList: true, subtree: true });
  }, first);
  await page.goto(path);
  await page.waitForFunction(() => performance.getEntriesByName('drawn').length > 0);
  await page.waitForTimeout(BEHIND_MS * 2);
  const drawnMs = await page.evaluate(
    () => performance.timeOrigin + (performance.getEntriesByName('drawn')[0]?.startTime ?? 0),
  );
  await session.detach();
  const sum = (types: string[], untilMs: number) =>
    [...asked.values()]
      .filter(({ type, atMs }) => types.includes(type) && atMs < untilMs)
      .reduce((total, { kb }) => total + kb, 0);
  const program = ['Document', 'Script', 'Stylesheet'];
  return { drawnKb: sum(program, drawnMs), allKb: sum([...program, 'Fetch', 'XHR'], drawnMs + BEHIND_MS) };
}

test('what travels is compressed: scripts and styles at build time, pages and data as they are answered', async ({
  request,
  page,
}) => {
  const id = await makeJob(request);
  const encoding = async (path: string, accepts = 'br, gzip') => {
    const answer = await request.get(path, { headers: { 'accept-encoding': accepts } });
    expect(answer.ok(), path).toBe(true);
    return answer.headers()['content-encoding'] ?? null;
  };
  for (const path of [`/jobs/${id}/runs`, '/rack', `/api/jobs/${id}`, `/api/jobs/${id}/files/port-map.csv`])
    expect(await encoding(path), path).toMatch(/^(br|gzip)$/);
  const html = await (await request.get('/rack')).text();
  const [script = ''] = /\/_next\/static\/chunks\/[\w.~-]+\.js/.exec(html) ?? [];
  expect(await encoding(script)).toBe('br');
  expect(await encoding(script, 'gzip')).toBe('gzip');
  expect(await encoding(script, 'identity')).toBeNull();
  const plain = await request.get(script, { headers: { 'accept-encoding': 'identity' } });
  expect(plain.headers()).toMatchObject({
    'cache-control': expect.stringContaining('immutable'),
    'x-content-type-options': 'nosniff',
    'content-type': expect.stringContaining('javascript'),
  });
  expect((await request.get('/_next/static/chunks/none.js')).status()).toBe(404);
  expect((await request.get('/_next/static/../../package.json')).status()).toBeGreaterThanOrEqual(400);
  // A line of events comes at once, and not when a block is full.
  await page.goto('/rack');
  expect(
    await page.evaluate(
      (job) =>
        new Promise<string>((done) => {
          const line = new EventSource(`/api/jobs/${job}/events`);
          line.onmessage = ({ data }) => {
            line.close();
            done(data);
          };
        }),
      id,
    ),
  ).toMatch(/^\d+$/);
});

test('a first visit is small', async ({ browser, baseURL, request }) => {
  const id = await makeJob(request);
  for (const { path, first, drawnKb, allKb } of [
    { path: '/', first: 'a[href$="/runs"]', drawnKb: 200, allKb: 230 },
    { path: `/jobs/${id}/runs`, first: 'section[aria-label="Runs"] button', drawnKb: 350, allKb: 470 },
    { path: `/jobs/${id}/rack`, first: 'main button', drawnKb: 265, allKb: 275 },
  ]) {
    const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}), serviceWorkers: 'block' });
    const travelled = await travels(await context.newPage(), path, first);
    const words = `${path.replace(id, 'ID')}: ${travelled.drawnKb.toFixed(0)} until drawn, ${travelled.allKb.toFixed(0)} in all`;
    test.info().annotations.push({ type: 'kB', description: words });
    expect(travelled.drawnKb, words).toBeLessThan(drawnKb);
    expect(travelled.allKb, words).toBeLessThan(allKb);
    await context.close();
  }
});

test('the program is kept in parts: what opens the pages at the rack first, the rest behind it', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}) });
  const page = await context.newPage();
  await page.goto('/rack');
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const kept = () =>
    page.evaluate(async () => {
      const [name = ''] = (await caches.keys()).filter((one) => one.startsWith('good-shelf-'));
      return (await (await caches.open(name)).keys()).map(({ url }) => new URL(url).pathname);
    });
  // What opens these pages is there when the program is kept; the reader of labels follows.
  expect((await kept()).filter((path) => path.endsWith('.js')).length).toBeGreaterThan(5);
  await expect
    .poll(async () => (await kept()).filter((path) => path.endsWith('.wasm')).length, { timeout: 60_000 })
    .toBeGreaterThan(0);
  await context.close();
});
