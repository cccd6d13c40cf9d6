import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, type Page } from '@playwright/test';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { OpenJob } from '../../src/core/exchange/wire/wire';
import type { Job } from '../../src/core/job/document/job';
import { plannedJob } from './benchJob';
import { CHROMIUM } from './browser';

export type CellarResult = {
  /** Results that the two phones logged without a network, and those that the server has in the end. */
  logged: number;
  arrived: number;
  /** Photographs that they took without a network, and those that the server has in the end. */
  photographs: number;
  photographsArrived: number;
  kills: number;
};

const DAY_MS = 24 * 3600 * 1000;
const LONGEST_MS = 300_000;
/** That each phone takes. */
const PHOTOGRAPHS = 3;
/** One red dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
  'base64',
);

/** A phone: a browser with a folder of its own, so that it can be killed and opened again. */
async function openPhone(folder: string, address: string): Promise<BrowserContext> {
  return chromium.launchPersistentContext(folder, {
    ...CHROMIUM,
    baseURL: address,
    viewport: { width: 390, height: 844 },
  });
}

const link = (page: Page) => page.getByTestId('link');

/**
 * Two phones on one job go without a network for days: tests are logged, the clock goes on, the browsers are killed and opened
 * again; in the end both come to the network together.
 * @param each results that each phone logs
 */
export async function trialCellar(
  address: string,
  { each, days, killEvery }: { each: number; days: number; killEvery: number },
  say: (words: string) => void = () => undefined,
): Promise<CellarResult> {
  const start: Job = plannedJob(Math.max(24, each * 2));
  const body = writeJobFile({ ...start, id: `cellar-${Date.now()}-${process.pid}`, name: 'Cellar' });
  const made = await fetch(`${address}/api/jobs/file`, { method: 'POST', body });
  const { id } = (await made.json()) as { id: string };
  const folders = [0, 1].map(() => mkdtempSync(join(tmpdir(), 'cellar-')));
  let kills = 0;
  try {
    const run = async (folder: string, end: 'panel end' | 'room end') => {
      let phone = await openPhone(folder, address);
      let page = await phone.newPage();
      page.setDefaultTimeout(LONGEST_MS);
      await page.goto(`/jobs/${id}/rack/test`);
      await page.getByLabel('Slide to the end to unlock writing').waitFor();
      await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
      // The job is kept some seconds after it was opened.
      await page.waitForTimeout(6000);
      await phone.setOffline(true);
      for (let number = 0; number < each; number++) {
        if (number % killEvery === 0) {
          if (number > 0) {
            spawnSync('pkill', ['-9', '-f', `user-data-dir=${folder}`]);
            await phone.close().catch(() => undefined);
            kills += 1;
            phone = await openPhone(folder, address);
            await phone.setOffline(true);
            page = await phone.newPage();
            page.setDefaultTimeout(LONGEST_MS);
          }
          const passed = Math.round((number / each) * days * DAY_MS);
          await page.clock.install({ time: Date.now() + passed });
          await page.goto(`/jobs/${id}/rack/test`);
          await page.clock.resume();
          await page.getByLabel('Slide to the end to unlock writing').press('End');
          await page.getByRole('button', { name: end }).click();
        }
        await page.getByRole('button', { name: /^Pass/ }).first().click();
        await page
          .getByTestId('link')
          .filter({ hasText: `: ${number + 1} wait` })
          .waitFor();
      }
      await page.goto(`/jobs/${id}/rack/photo`);
      await page.getByLabel('Slide to the end to unlock writing').press('End');
      for (let number = 1; number <= PHOTOGRAPHS; number++) {
        await page.locator('input[type=file]').setInputFiles({ name: 'dot.png', mimeType: 'image/png', buffer: DOT });
        await page
          .getByTestId('link')
          .filter({ hasText: `: ${each + number} wait` })
          .waitFor();
      }
      say(`${end}: ${each} logged and ${PHOTOGRAPHS} photographed without a network`);
      return { phone, page };
    };
    const phones = await Promise.all([run(folders[0] ?? '', 'panel end'), run(folders[1] ?? '', 'room end')]);
    await Promise.all(
      phones.map(async ({ phone, page }) => {
        await phone.setOffline(false);
        await page.goto(`/jobs/${id}/rack`);
        await link(page)
          .filter({ hasText: 'Saved' })
          .waitFor({ state: 'attached', timeout: LONGEST_MS * 5 });
        await phone.close();
      }),
    );
    const { job } = (await (await fetch(`${address}/api/jobs/${id}`)).json()) as OpenJob;
    const arrived = Object.keys(job.results).length;
    const files = (await (await fetch(`${address}/api/jobs/${id}/kept`)).json()) as { kind: string }[];
    // Each is there whole and small.
    const photographsArrived = files.filter(({ kind }) => kind === 'photo').length / 2;
    return { logged: each * 2, arrived, photographs: PHOTOGRAPHS * 2, photographsArrived, kills };
  } finally {
    for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  }
}
