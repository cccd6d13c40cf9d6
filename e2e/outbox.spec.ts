import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type Page, test } from '@playwright/test';
import { CHROMIUM } from '../scripts/lib/browser';
import { jobOf, openedJob, sendBatch } from './api';
import { anotherBrowser, go, openJobFile, saved, smallJob, station } from './job';

const label = (page: Page) => page.getByTestId('link');

/** Until nothing more is fetched: the other stations come behind the first. */
async function fetched(page: Page) {
  const count = () => page.evaluate(() => performance.getEntriesByType('resource').length);
  for (let [before, now] = [-1, await count()]; before !== now; [before, now] = [now, await count()])
    await page.waitForTimeout(4000);
}

test('what is done without a network outlives the browser, and arrives when there is one', async ({
  baseURL,
  request,
}) => {
  // A browser of its own with a folder of its own, since it is closed in the middle.
  const folder = mkdtempSync(join(tmpdir(), 'outbox-'));
  const start = () =>
    chromium.launchPersistentContext(folder, {
      ...CHROMIUM,
      ...(baseURL ? { baseURL } : {}),
      viewport: { width: 1280, height: 800 },
    });
  try {
    let context = await start();
    let page = await context.newPage();
    const labels = Array.from({ length: 20 }, (_, at) => String(at + 1).padStart(2, '0'));
    const id = await openJobFile(page, smallJob('Cellar', labels));
    await expect(label(page)).toHaveText('Saved');
    await fetched(page);
    await context.setOffline(true);
    for (const one of labels) {
      await page.getByLabel(`Notes of ${one}`).fill(`seen ${one}`);
      await page.getByLabel(`Notes of ${one}`).press('Enter');
    }
    await expect(label(page)).toHaveText('No way to the server: 20 wait, kept here');
    // The stations are there without a network.
    await station(page, 'Land');
    await expect(page.getByRole('button', { name: /^Land \d+ runs in label order/ })).toBeVisible();
    await station(page, 'Runs');
    await expect(page.getByLabel('Notes of 20')).toHaveValue('seen 20');
    await context.close();
    expect(Object.values((await jobOf(request, id)).runs).filter((run) => run.notes !== '')).toEqual([]);

    context = await start();
    page = await context.newPage();
    await page.goto(`/jobs/${id}/runs`);
    await expect(page.getByLabel('Notes of 20')).toHaveValue('seen 20');
    await expect(label(page)).toHaveText('Saved');
    const notes = Object.values((await jobOf(request, id)).runs).map((run) => run.notes);
    expect(notes.sort()).toEqual(labels.map((one) => `seen ${one}`));
    await context.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('a step that cannot be done is set aside with its content until it is dealt with', async ({ page, browser }) => {
  const id = await openJobFile(page, smallJob('Aside', ['1', '2', '3']));
  await go(page, `/jobs/${id}/land`);
  await expect(page.getByRole('button', { name: /^Land 3/ })).toBeVisible();
  await page.context().setOffline(true);
  await page.getByRole('button', { name: /^1 Hall/ }).click();
  await page.getByRole('button', { name: /^1 spare/ }).click();
  await page.getByRole('button', { name: /^2 Hall/ }).click();
  await page.getByRole('button', { name: /^2 spare/ }).click();
  await expect(label(page)).toHaveText(/2 wait, kept here/);
  const other = await anotherBrowser(browser);
  await go(other, `/jobs/${id}/land`);
  await other.getByRole('button', { name: /^3 Hall/ }).click();
  await other.getByRole('button', { name: /^1 spare/ }).click();
  await saved(other);
  await page.context().setOffline(false);
  await saved(page);
  await page.getByRole('button', { name: '1 step set aside' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Land 1 on Panel port 1');
  await expect(sheet).toContainText('Panel port 1 is taken by 3.');
  await sheet.getByRole('button', { name: 'Show it' }).click();
  await expect(sheet).toContainText('"runId": "run-1"');
  // It is still there after the window was closed.
  await page.reload();
  await page.getByRole('button', { name: '1 step set aside' }).click();
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(page.getByRole('dialog')).toContainText('Set aside: 0 steps');
  expect(
    Object.values((await jobOf(page.request, id)).landings)
      .map((row) => row.runId)
      .sort(),
  ).toEqual(['run-2', 'run-3']);
});

test('two windows of one browser share what waits, and one of them brings it all', async ({ page, context }) => {
  const id = await openJobFile(page, smallJob('Shared', ['1', '2']));
  const other = await context.newPage();
  await go(other, `/jobs/${id}/runs`);
  await expect(label(other)).toHaveText('Saved');
  await context.setOffline(true);
  await page.getByLabel('Notes of 1').fill('from the first');
  await page.getByLabel('Notes of 1').press('Enter');
  await other.getByLabel('Notes of 2').fill('from the second');
  await other.getByLabel('Notes of 2').press('Enter');
  for (const window of [page, other]) {
    await expect(label(window)).toHaveText(/2 wait, kept here|Saving 2/);
    await expect(window.getByLabel('Notes of 1')).toHaveValue('from the first');
    await expect(window.getByLabel('Notes of 2')).toHaveValue('from the second');
  }
  await page.close();
  await context.setOffline(false);
  await saved(other);
  expect(
    Object.values((await jobOf(other.request, id)).runs)
      .map((run) => run.notes)
      .sort(),
  ).toEqual(['from the first', 'from the second']);
});

test('what somebody else overwrote unseen is told, and comes back with one click', async ({ page, request }) => {
  const id = await openJobFile(page, smallJob('Overwritten', ['1']));
  const { point } = await openedJob(request, id);
  await page.getByLabel('Device of 1', { exact: true }).fill('camera');
  await page.getByLabel('Device of 1', { exact: true }).press('Enter');
  await saved(page);
  const edits = [{ runId: 'run-1', changes: { device: 'desk' } }];
  const sam = { id: 'sam', name: 'Sam' };
  await sendBatch(request, id, [{ type: 'editRuns', edits }], { base: point, seen: 0, actor: sam });
  await expect(page.getByText('Sam changed what you had just set: run 1: device “camera” → “desk”.')).toBeVisible();
  await expect(page.getByLabel('Device of 1', { exact: true })).toHaveValue('desk');
  await page.getByRole('button', { name: 'Bring mine back' }).click();
  await saved(page);
  expect((await jobOf(request, id)).runs['run-1']?.device).toBe('camera');
});
