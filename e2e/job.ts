import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, expect, type Page } from '@playwright/test';

export const demoFile = (file: string) => join(import.meta.dirname, '../demo', file);
export const demoText = (file: string) => readFileSync(demoFile(file), 'utf8');

type Entry = { name: RegExp; count: number };

/** Start a job through the form and wait for its first station. */
export async function startJob(page: Page, name: string, gear: Entry[] = []): Promise<string> {
  await page.goto('/new');
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Country').selectOption('IE');
  await page.getByLabel('The cabinet stands').selectOption('floor');
  for (const { name: device, count } of gear) await page.getByLabel(device).fill(String(count));
  await page.getByRole('button', { name: 'Start the job' }).click();
  await page.waitForURL(/\/jobs\/[^/]+\/survey/);
  await station(page, 'Runs');
  await page.waitForURL(/\/jobs\/[^/]+\/runs/);
  return /\/jobs\/([^/]+)\//.exec(page.url())?.[1] ?? '';
}

export const station = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name }).click();

/** Until the server has confirmed everything. */
export const saved = (page: Page) => expect(page.getByTestId('link')).toHaveText('Saved');

/** To another address, once what was done here is confirmed: a person would be asked before they leave. */
export async function go(page: Page, path: string): Promise<void> {
  if ((await page.getByTestId('link').count()) > 0) await saved(page);
  await page.goto(path);
}

/** Hold back what this window sends from now on. @returns lets it go */
export async function hold(page: Page): Promise<() => void> {
  let release = () => {};
  const held = new Promise<void>((done) => {
    release = done;
  });
  await page.route('**/api/jobs/*/batches', (route) => held.then(() => route.continue()));
  return release;
}

/** A window of another browser: nothing that is kept in the first one is known to it. */
export async function anotherBrowser(browser: Browser): Promise<Page> {
  return (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
}

/** A job of a few runs, landed and ready to patch, made through the file door. */
export async function openJobFile(page: Page, text: string): Promise<string> {
  await page.goto('/');
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await page.waitForURL(/\/jobs\/[^/]+\/runs/);
  return /\/jobs\/([^/]+)\//.exec(page.url())?.[1] ?? '';
}

/** A small job as its file: panel and switch in the rack, runs by label, none landed. */
export function smallJob(name: string, labels: string[]): string {
  return JSON.stringify({
    format: 'good-shelf-job',
    version: 1,
    job: { id: `small-${Math.random().toString(36).slice(2)}`, name },
    racks: [{ id: 'rack', name: 'Rack', units: 9, depthMm: 300 }],
    gear: [
      {
        id: 'panel',
        name: 'Panel',
        kind: 'panel',
        heightU: 1,
        depthMm: 100,
        ports: [{ count: 12, connector: 'keystone' }],
      },
      {
        id: 'switch',
        name: 'Switch',
        kind: 'switch',
        heightU: 1,
        depthMm: 200,
        poeBudgetW: 60,
        ports: [{ count: 8, connector: 'rj45', speedMbps: 1000, poeW: 30 }],
      },
      { id: 'deep', name: 'Deep box', kind: 'server', heightU: 2, depthMm: 500 },
    ],
    placements: [
      { id: 'a', gearId: 'panel', rackId: 'rack', bottomU: 9 },
      { id: 'b', gearId: 'switch', rackId: 'rack', bottomU: 8 },
    ],
    runs: labels.map((label) => ({
      id: `run-${label}`,
      label,
      room: 'Hall',
      cable: 'Cat 6',
      device: `device ${label}`,
    })),
  });
}

/** Press Tab until a control of this name has the focus. */
export async function tabTo(page: Page, name: RegExp) {
  for (let presses = 0; presses < 150; presses++) {
    const focused = await page.evaluate(() => {
      const element = document.activeElement;
      if (!element) return '';
      const labelled =
        element instanceof HTMLInputElement || element instanceof HTMLSelectElement
          ? element.labels?.[0]?.textContent
          : '';
      return (element.getAttribute('aria-label') ?? (labelled || element.textContent || '')).trim();
    });
    if (name.test(focused)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab does not reach ${name}`);
}
