import { randomUUID } from 'node:crypto';
import { type APIRequestContext, type Browser, expect, type Page, test } from '@playwright/test';
import { openJobFile, saved, smallJob } from './job';
import { makeJob } from './rackJob';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
/** One red dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
  'base64',
);

async function phone(browser: Browser, baseURL: string | undefined): Promise<Page> {
  const context = await browser.newContext({ ...PHONE, ...(baseURL ? { baseURL } : {}) });
  return context.newPage();
}
const link = (page: Page) => page.getByTestId('link');
const kept = async (request: APIRequestContext, id: string) =>
  ((await (await request.get(`/api/jobs/${id}/kept`)).json()) as { id: string; kind: string }[]).map(
    ({ kind }) => kind,
  );
const onDevice = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((done, fail) => {
        const open = indexedDB.open('good-shelf');
        open.onerror = () => fail(open.error);
        open.onsuccess = () => {
          const count = open.result.transaction('bodies').objectStore('bodies').count();
          count.onsuccess = () => {
            open.result.close();
            done(count.result);
          };
        };
      }),
  );

/** A photograph of the job, taken where there is no network. */
async function takeOffline(page: Page, id: string): Promise<void> {
  await page.goto(`/jobs/${id}/rack/photo`);
  await page.getByLabel('Slide to the end to unlock writing').press('End');
  await page.context().setOffline(true);
  await page.locator('input[type=file]').setInputFiles({ name: 'dot.png', mimeType: 'image/png', buffer: DOT });
  await expect(link(page)).toHaveText('No way to the server: 1 waits, kept here');
}

test('a photograph that waits is told and sent from any page, and “Saved” means that nothing waits', async ({
  browser,
  baseURL,
  request,
}) => {
  const id = await makeJob(request);
  const page = await phone(browser, baseURL);
  await takeOffline(page, id);
  // To another view of the job: it waits there too, and goes from there.
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(link(page)).toHaveText('No way to the server: 1 waits, kept here');
  expect(await kept(request, id)).toEqual([]);
  await page.context().setOffline(false);
  await expect(link(page)).toHaveText('Saved');
  expect(await kept(request, id)).toEqual(['photo', 'photo']);
  expect(await onDevice(page)).toBe(0);

  // The lists say that one waits, and send it: that of this device, and that of all jobs.
  for (const list of ['/rack', '/']) {
    const one = await makeJob(request);
    await takeOffline(page, one);
    await page.route('**/api/jobs/*/pieces?*', (route) => route.abort());
    await page.context().setOffline(false);
    await page.goto(list);
    const here = page.getByRole('region', { name: 'Waiting on this device' });
    await expect(here).toContainText('1 item waiting');
    expect(await kept(request, one)).toEqual([]);
    await page.unroute('**/api/jobs/*/pieces?*');
    await expect.poll(() => kept(request, one), { timeout: 30_000 }).toEqual(['photo', 'photo']);
    await expect(here).toBeHidden();
  }
  await page.context().close();
});

test('a photograph that the server refuses is set aside with its picture until the person decides', async ({
  browser,
  baseURL,
  request,
}) => {
  const id = await makeJob(request);
  const page = await phone(browser, baseURL);
  await takeOffline(page, id);
  const bin = (removed: boolean) => request.post(`/api/jobs/${id}/removed`, { data: { removed } });
  // Somebody at the desk puts the job into the bin meanwhile.
  await bin(true);
  await page.context().setOffline(false);
  const aside = page.getByRole('button', { name: '1 set aside' });
  await expect(aside).toBeVisible({ timeout: 20_000 });
  expect(await onDevice(page)).toBe(1);
  await bin(false);
  // It is there after the page was closed, with the picture.
  await page.goto(`/jobs/${id}/rack`);
  await aside.click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('heading', { name: /^Set aside: 0 steps, 1 file/ })).toBeVisible();
  const picture = sheet.getByRole('img');
  await expect(picture).toBeVisible();
  expect(await picture.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBeGreaterThan(0);
  const download = page.waitForEvent('download');
  await sheet.getByRole('link', { name: /^Save on this device/ }).click();
  expect((await download).suggestedFilename()).toMatch(/\.jpg$/);
  await sheet.getByRole('button', { name: /^Try again/ }).click();
  await expect.poll(() => kept(request, id)).toEqual(['photo', 'photo']);
  expect(await onDevice(page)).toBe(0);
  await expect(sheet.getByText('Nothing: everything could be done.')).toBeVisible();
  await page.context().close();
});

test('photographs that an earlier version kept are sent by this one', async ({ browser, baseURL, request }) => {
  const id = await makeJob(request);
  const page = await phone(browser, baseURL);
  // A page of ours that keeps nothing.
  await page.goto('/icon.svg');
  await page.evaluate(async (jobId) => {
    const jpeg = async () => {
      const canvas = new OffscreenCanvas(4, 4);
      canvas.getContext('2d')?.fillRect(0, 0, 4, 4);
      const blob = await canvas.convertToBlob({ type: 'image/jpeg' });
      return new Uint8Array(await blob.arrayBuffer());
    };
    const [whole, small] = [await jpeg(), await jpeg()];
    await new Promise<void>((done, fail) => {
      const open = indexedDB.open('good-shelf', 2);
      open.onerror = () => fail(open.error);
      open.onupgradeneeded = () => {
        const db = open.result;
        const outbox = db.createObjectStore('outbox', { autoIncrement: true });
        outbox.createIndex('batch', 'batchId', { unique: true });
        outbox.createIndex('job', 'jobId');
        db.createObjectStore('aside', { keyPath: 'batchId' }).createIndex('job', 'jobId');
        db.createObjectStore('jobs', { keyPath: 'jobId' });
        db.createObjectStore('photos', { keyPath: 'id' }).createIndex('job', 'jobId');
      };
      open.onsuccess = () => {
        const write = open.result.transaction('photos', 'readwrite');
        const photo = { id: 'photo-earlier', jobId, about: '', name: 'Earlier', by: '', at: 1, whole, small };
        write.objectStore('photos').put(photo);
        write.oncomplete = () => {
          open.result.close();
          done();
        };
      };
    });
  }, id);
  await page.goto('/rack');
  await expect.poll(() => kept(request, id)).toEqual(['photo', 'photo']);
  await page.context().close();
});

test('a tester’s file is taken without a network, and arrives with its results', async ({ page, request }) => {
  const id = await openJobFile(page, smallJob('Tested', ['1', '2']));
  await page.goto(`/jobs/${id}/prove/many`);
  const give = page.getByLabel('A tester’s file: any CSV, or drop it here');
  await expect(give).toBeAttached();
  await saved(page);
  // The station is there before the network goes.
  await page.waitForLoadState('networkidle').catch(() => undefined);
  await page.context().setOffline(true);
  const csv = 'Label;Verdict;When\n1;pass;2026-11-27 18:30\n2;fail;2026-11-27 18:31\n';
  await give.setInputFiles({ name: 'cellar.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Take 2 results' }).click();
  await expect(sheet).toBeHidden();
  await expect(link(page)).toHaveText('No way to the server: 2 wait, kept here');
  await page.context().setOffline(false);
  await saved(page);
  expect(await kept(request, id)).toEqual(['tester']);
  const { job } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
    job: { results: Record<string, unknown> };
  };
  expect(Object.keys(job.results)).toHaveLength(2);
});

test('while the server cannot be reached the header never says “Saved”', async ({ page }) => {
  const id = await openJobFile(page, smallJob(`Unreached ${randomUUID()}`, ['1']));
  await saved(page);
  // Nothing waits, and nothing is sent: only the line of news breaks.
  await page.context().setOffline(true);
  await expect(link(page)).toHaveText('No way to the server');
  await page.waitForTimeout(3000);
  await expect(link(page)).toHaveText('No way to the server');
  await page.context().setOffline(false);
  await saved(page);
  // A server that turns the line away, and answers nothing else either.
  await page.route(`**/api/jobs/${id}/**`, (route) => route.fulfill({ status: 503, body: '{}' }));
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(link(page)).toHaveText(/Server unwell|Reaching the server/);
  await page.unroute(`**/api/jobs/${id}/**`);
  await saved(page);
});
