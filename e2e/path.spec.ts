import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { demoFile, saved, startJob, station } from './job';
import { drag, middle, resting } from './pointer';

async function download(page: Page, name: RegExp) {
  await page.getByRole('button', { name: 'Take away' }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name }).click();
  const file = await waiting;
  await page.keyboard.press('Escape');
  return { name: file.suggestedFilename(), text: readFileSync(await file.path(), 'utf8') };
}

test('the list shows the demo job with its cabinet', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Search all jobs').fill('quillback vet');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Quillback Veterinary Surgery' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Wall cabinet: 11 devices in 18 units' })).toBeVisible();
});

test('from a list of runs to a port map, by mouse', async ({ page }) => {
  await startJob(page, 'Mouse House', [
    { name: /keystone, 48/, count: 1 },
    { name: /PoE\+ 740 W/, count: 1 },
    { name: /Server, 2U/, count: 1 },
  ]);

  // Import, see what it becomes, take it.
  await page.getByRole('button', { name: 'Import runs' }).click();
  await page.getByLabel(/A CSV file/).setInputFiles(demoFile('quillback-runs.csv'));
  await expect(page.getByTestId('counts')).toHaveText('40 new, 0 changed, 0 as they are, 0 not taken.');
  await page.getByRole('button', { name: 'Import: add 40' }).click();
  await expect(page.getByLabel('Device of 07')).toHaveValue('access point A');

  // The same file again changes nothing; one undo takes the import back.
  await page.getByRole('button', { name: 'Import runs' }).click();
  await page.getByLabel(/A CSV file/).setInputFiles(demoFile('quillback-runs.csv'));
  await expect(page.getByTestId('counts')).toHaveText('0 new, 0 changed, 40 as they are, 0 not taken.');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo: Import 40 runs' }).click();
  await expect(page.getByText('No runs yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Redo: Import 40 runs' }).click();
  await expect(page.getByLabel('Device of 07')).toHaveValue('access point A');

  // Stack: the place is shown before dropping, and why one will not do.
  await station(page, 'Stack');
  const rack = await resting(page, page.getByTestId('rack-front'));
  const unit = rack.height / 12;
  await drag(page, await middle(page, /keystone, 48 .*in the pile/), { x: rack.x + 80, y: rack.y + unit / 2 });
  await expect(page.getByTestId('place-words')).toHaveText('Free: U11–U12');
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Patch panel, keystone, 48, U11–U12' })).toBeVisible();
  await drag(page, await middle(page, /740 W.*in the pile/), { x: rack.x + 80, y: rack.y + unit * 1.5 });
  await expect(page.getByTestId('place-words')).toHaveText('U11 is taken by Patch panel, keystone, 48.');
  await page.mouse.move(rack.x + 80, rack.y + unit * 2.5, { steps: 3 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /740 W.*, U10/ })).toBeVisible();
  await drag(page, await middle(page, /Server, 2U .*in the pile/), { x: rack.x + 80, y: rack.y + unit * 6 });
  await expect(page.getByTestId('place-words')).toHaveText('Server, 2U is 600 mm deep: 150 mm more than Cabinet has.');
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /Server, 2U .*in the pile/ })).toBeVisible();
  // Why it does not fit is told above all else, for as long as the pointer is on it.
  await expect(page.locator('[data-sonner-toast]')).toHaveCount(0);

  // Land one by drag, the rest in label order, take one off by drag.
  await station(page, 'Land');
  await drag(page, await middle(page, /^05 Waiting room/), await middle(page, /^20 spare/));
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^20 05 .*Waiting room/ })).toBeVisible();
  await page.getByRole('button', { name: 'Land 39 runs in label order' }).click();
  await expect(page.getByText('8 of 48 ports spare')).toBeVisible();
  await drag(page, await middle(page, /^20 05/), { x: 90, y: 300 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^20 spare/ })).toBeVisible();
  await page.getByRole('button', { name: /^Land 1 run/ }).click();

  // Patch: one by drag, the rest by plan, with reasons for those left out.
  await station(page, 'Patch');
  await drag(page, await middle(page, /^01 .*, Reception/), await middle(page, /740 W.* port 7, /));
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^01 .*patched to .* port 7/ })).toBeVisible();
  await page.getByRole('button', { name: 'Patch the rest' }).click();
  const left = page.getByRole('list', { name: 'Left out' });
  await expect(left).toContainText('TV1 carries coax, which no switch takes.');
  await expect(left).toContainText('16 needs 10 Gb/s');
  await page.getByRole('button', { name: /^Patch \d+ runs$/ }).click();
  await expect(page.getByRole('button', { name: /^01 .* port 7/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^35 .* patched to/ })).toBeVisible();

  // The trace strip follows the pointer, end to end.
  await expect(async () => {
    await page.mouse.move(0, 0);
    await page.getByRole('button', { name: /^20 .*Kennels/ }).hover();
    await expect(page.getByTestId('trace')).toContainText('PoE class 3 · 15.4 W', { timeout: 1000 });
  }).toPass();

  // Take away.
  await saved(page);
  const map = await download(page, /Port map, CSV/);
  expect(map.name).toBe('mouse-house-port-map.csv');
  expect(map.text.split('\n')).toHaveLength(42);
  expect((await download(page, /elevation, SVG/)).text).toMatch(/^<svg /);
  const job = await download(page, /The whole job, JSON/);

  // The file read back is an equal job.
  await page.goto('/');
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(job.text) });
  await page.waitForURL(/\/jobs\/[^/]+\/runs/);
  const again = await download(page, /The whole job, JSON/);
  const [was, is] = [JSON.parse(job.text), JSON.parse(again.text)];
  expect({ ...is, job: { ...is.job, id: '' } }).toEqual({ ...was, job: { ...was.job, id: '' } });
});

test('a snag is mended with one click', async ({ page }) => {
  await startJob(page, 'Mending', []);
  await page.getByLabel('Label of the new run').fill('A1');
  await page.getByLabel('Cable of the new run').fill('Cat 5e');
  await page.getByLabel('Length in metres of the new run').fill('40');
  await page.getByLabel('Speed in Mb/s of the new run').fill('10000');
  await page.getByLabel('Speed in Mb/s of the new run').press('Enter');
  const docket = page.getByRole('complementary', { name: 'Docket' });
  await expect(docket).toContainText('A1 wants 10 Gb/s over 45 m; Cat 5e carries that at no length.');
  await expect(docket).toContainText('Source: IEEE 802.3 clause 55');
  await docket.getByRole('button', { name: 'Plan Cat 6A for A1' }).click();
  await expect(docket).toContainText('No snags here.');
  await expect(page.getByLabel('Cable of A1')).toHaveValue('Cat 6A');
});
