import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import { JOB, makeJob } from './rackJob';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

const unlock = (page: Page) => page.getByLabel('Slide to the end to unlock writing').press('End');
async function keptProgram(page: Page) {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect.poll(() => page.evaluate(() => caches.keys())).not.toEqual([]);
}
const phone = async (browser: { newContext: (o: object) => Promise<BrowserContext> }, baseURL: string | undefined) => {
  const context = await browser.newContext({ ...PHONE, baseURL });
  return { context, page: await context.newPage() };
};

test('in the cellar a pinned job opens, is searched, traced, noted and tested, and all of it comes in afterwards', async ({
  browser,
  baseURL,
  request,
}) => {
  const id = await makeJob(request);
  const { context, page } = await phone(browser, baseURL);
  await page.goto(`/jobs/${id}/rack`);
  await expect(page.getByRole('heading', { name: JOB })).toBeVisible();
  await keptProgram(page);
  await page.getByRole('button', { name: 'Pin to this device' }).click();
  await expect(page.getByRole('button', { name: 'Pinned to this device' })).toBeVisible();

  await context.setOffline(true);
  await page.goto('/rack');
  await page.getByRole('button', { name: new RegExp(JOB) }).click();
  await page.getByRole('button', { name: /^Find/ }).click();
  await page.getByLabel('Label, room, port or device').fill('twelve');
  await page.getByRole('list', { name: 'Found' }).getByRole('button').first().click();
  const trace = page.getByRole('region', { name: 'Trace' });
  await expect(trace.getByRole('heading', { name: '12' })).toBeVisible();

  // Nothing is written before it is unlocked.
  await expect(trace.getByLabel('Photograph of 12')).toBeDisabled();
  await trace.getByRole('button', { name: 'Note', exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'Note' })).toBeDisabled();
  await unlock(page);
  await page.getByRole('textbox', { name: 'Note' }).fill('Box is full of plaster');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('button', { name: /^Log a test/ }).click();
  await page.getByRole('button', { name: /^Pass/ }).first().click();
  await expect(page.getByTestId('link')).toContainText('2 wait, kept here');

  // The application is closed, and opened again where there is still no network.
  await page.close();
  const again = await context.newPage();
  await again.goto(`/jobs/${id}/rack`);
  await expect(again.getByTestId('link')).toContainText('2 wait, kept here');
  await context.setOffline(false);
  await again.reload();
  await expect(again.getByTestId('link')).toContainText('Saved');
  const { job } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
    job: { runs: Record<string, { label: string; notes: string }>; results: Record<string, { passed: boolean }> };
  };
  expect(Object.values(job.runs).find(({ label }) => label === '12')?.notes).toContain('Box is full of plaster');
  expect(Object.values(job.results)).toMatchObject([{ passed: true }]);
  await context.close();
});

test('a photograph waits on the device and goes on in pieces', async ({ browser, baseURL, request }) => {
  const id = await makeJob(request);
  const { context, page } = await phone(browser, baseURL);
  await page.goto(`/jobs/${id}/rack/photo`);
  await unlock(page);
  // Noise does not get small: it takes several pieces.
  const picture = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(1400, 1000);
    const context = canvas.getContext('2d');
    const data = context?.createImageData(1400, 1000);
    if (!context || !data) throw new Error('no canvas');
    for (let at = 0; at < data.data.length; at++)
      data.data[at] = at % 4 === 3 ? 255 : (at * 7919 + ((at * at) >> 3)) % 256;
    context.putImageData(data, 0, 0);
    const blob = await canvas.convertToBlob({ type: 'image/png' });
    return Array.from(new Uint8Array(await blob.arrayBuffer()));
  });
  const file = { name: 'tray.png', mimeType: 'image/png', buffer: Buffer.from(picture) };
  // The network goes after two pieces.
  let pieces = 0;
  await page.route('**/pieces?*at=*', async (route) => {
    pieces += 1;
    if (pieces > 2) await route.abort();
    else await route.continue();
  });
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByText('kept on this device, waiting to be sent')).toBeVisible();
  const kept = async () => ((await (await request.get(`/api/jobs/${id}/kept`)).json()) as unknown[]).length;
  expect(await kept()).toBe(0);
  // One piece goes after the other: the third is asked for when two have arrived.
  await expect.poll(() => pieces).toBeGreaterThan(2);
  await page.unroute('**/pieces?*at=*');
  const sent: string[] = [];
  page.on('request', (one) => one.method() === 'POST' && sent.push(new URL(one.url()).searchParams.get('at') ?? ''));
  await page.reload();
  await expect.poll(kept).toBe(2);
  // Those that were there are not sent again.
  const first = sent.slice(0, sent.indexOf(''));
  expect(first).not.toContain('0');
  expect(first).not.toContain('1');
  await context.close();
});

test('two telephones at the two ends see what the other marks', async ({ browser, baseURL, request }) => {
  const id = await makeJob(request);
  const [one, two] = [await phone(browser, baseURL), await phone(browser, baseURL)];
  for (const { page } of [one, two]) {
    await page.goto(`/jobs/${id}/rack/find`);
    await page.getByLabel('Label, room, port or device').fill('12');
    await page.getByRole('list', { name: 'Found' }).getByRole('button').first().click();
    await page.getByRole('button', { name: 'Two ends' }).click();
  }
  await one.page.getByRole('button', { name: 'Make a word' }).click();
  const word = (await one.page.locator('.text-5xl').textContent()) ?? '';
  await one.page.getByRole('button', { name: 'Panel end' }).click();
  await two.page.getByRole('button', { name: word }).click();
  await two.page.getByRole('button', { name: 'Room end' }).click();
  await expect(one.page.getByRole('status')).toContainText('is here, room end');
  await two.page.getByRole('button', { name: 'I hear the tone' }).click();
  const heard = one.page.getByRole('region', { name: 'The other end' });
  await expect(heard).toContainText('hears the tone');
  await expect(heard).toContainText('12');
  await two.page.getByRole('button', { name: 'Next run' }).click();
  await two.page.getByRole('button', { name: 'I am at this one' }).click();
  await heard.getByRole('button', { name: 'Go to it' }).click();
  await expect(one.page.getByRole('region', { name: 'This end' })).not.toContainText('12');
  await one.page.getByRole('button', { name: 'It fails' }).click();
  await expect(two.page.getByRole('region', { name: 'The other end' })).toContainText('it fails');
  await one.context.close();
  await two.context.close();
});

test('the next step of a build is planned without a network too', async ({ browser, baseURL }) => {
  const { context, page } = await phone(browser, baseURL);
  await page.goto('/jobs/ostermoor/rack/step');
  const step = page.getByRole('article', { name: 'The step now' });
  await expect(step).toBeVisible();
  const words = await step.getByRole('heading').textContent();
  await keptProgram(page);
  // The job is kept a moment after it was opened.
  await page.waitForTimeout(5000);
  await context.setOffline(true);
  await page.reload();
  await expect(step).toContainText(words ?? '');
  await expect(page.getByTestId('link')).toContainText('No way to the server');
  await context.close();
});
