import { expect, type Page, test } from '@playwright/test';
import { openJobFile, saved, smallJob, startJob } from './job';

async function importFile(page: Page, buffer: Buffer) {
  await page.getByRole('button', { name: 'Import runs' }).click();
  await page.getByLabel(/A CSV file/).setInputFiles({ name: 'runs.csv', mimeType: 'text/csv', buffer });
}

test('formulas and markup in cells are shown as text, and neutralised on the way out', async ({ page, request }) => {
  const id = await startJob(page, '<b>Bold</b> & Sons');
  await importFile(page, Buffer.from('label;room;device\n01;<img src=x onerror=alert(1)>;=1+1\n'));
  page.on('dialog', () => expect('a script').toBe('not run'));
  await page.getByRole('button', { name: 'Import: add 1' }).click();
  await expect(page.getByLabel('Room of 01')).toHaveValue('<img src=x onerror=alert(1)>');
  await saved(page);
  expect(await page.locator('img').count()).toBe(0);
  const csv = await (await request.get(`/api/jobs/${id}/files/port-map.csv`)).text();
  expect(csv).toContain("'=1+1");
});

test('bad rows are named, the good ones can be taken', async ({ page }) => {
  await startJob(page, 'Bad rows');
  await importFile(page, Buffer.from('label,length_m\n01,22\n02,-5\n01,7\n'));
  await expect(page.getByTestId('counts')).toHaveText('1 new, 0 changed, 0 as they are, 2 not taken.');
  await expect(
    page.getByText('Row 3, length_m: found “-5”, expected a length above 0 and up to 10,000 m'),
  ).toBeVisible();
  await expect(
    page.getByText('Row 4, label: found “01”, expected a label of its own; row 2 has this one.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Import: add 1' }).click();
  await expect(page.getByLabel('Length in metres of 01')).toHaveValue('22');
});

test('a binary file and a foreign job file get a clear answer', async ({ page }) => {
  await startJob(page, 'Binary');
  await importFile(page, Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1]));
  await expect(page.getByText('This is not a text file')).toBeVisible();
  await page.goto('/');
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"else"}') });
  await expect(page.getByText('This is not a job of Good Shelf')).toBeVisible();
});

test('5,000 rows come in, stay, and scroll', { tag: '@long' }, async ({ page }) => {
  await startJob(page, 'Five thousand');
  const rows = Array.from(
    { length: 5000 },
    (_, at) => `R${String(at + 1).padStart(4, '0')},Hall ${at % 40},${10 + (at % 60)}`,
  );
  await importFile(page, Buffer.from(`label,room,length_m\n${rows.join('\n')}\n`));
  await expect(page.getByTestId('counts')).toHaveText('5000 new, 0 changed, 0 as they are, 0 not taken.');
  await page.getByRole('button', { name: 'Import: add 5000' }).click();
  await expect(page.getByLabel('Label of R0001')).toBeVisible();
  await saved(page);
  await page.reload();
  await page.getByLabel('Label of R0001').focus();
  await page.getByRole('table', { name: 'Run schedule' }).hover();
  await page.mouse.wheel(0, 200_000);
  await expect(page.getByLabel('Label of R5000')).toBeVisible();
});

test('a label that is taken is refused in the cell, and stays to be mended', async ({ page }) => {
  await openJobFile(page, smallJob('Labels', ['1', '2']));
  await page.getByLabel('Label of 2', { exact: true }).fill('1');
  await page.getByLabel('Label of 2', { exact: true }).press('Enter');
  await expect(page.getByText('There is a run labelled 1 already')).toBeVisible();
  await expect(page.getByLabel('Label of 2', { exact: true })).toHaveAttribute('aria-invalid', 'true');
});

test('the schemas are published', async ({ request }) => {
  expect(await (await request.get('/schema/job.json')).json()).toMatchObject({ title: 'Good Shelf job' });
  expect((await request.get('/schema/other.json')).status()).toBe(404);
});

test('only this machine may come in', async ({ request }) => {
  expect((await request.get('/', { headers: { host: 'evil.example' } })).status()).toBe(403);
  const foreign = await request.post('/api/jobs', { headers: { origin: 'http://evil.example' }, data: {} });
  expect(foreign.status()).toBe(403);
  const wrong = await request.post('/api/jobs', { data: { name: '' } });
  expect(wrong.status()).toBe(400);
  expect((await wrong.json()).message).toContain('name');
});
