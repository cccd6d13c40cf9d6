import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { jobOf } from './api';
import { demoText, go, openJobFile, saved, smallJob } from './job';

/** A demo job of its own, under another id. */
async function ownJob(page: Parameters<typeof openJobFile>[0], file: string, name: string): Promise<string> {
  const job = JSON.parse(demoText(file));
  job.job.id = `${name}-${Math.random().toString(36).slice(2)}`;
  return openJobFile(page, JSON.stringify(job));
}

test('the pack is taken away, says of which version it is, and starts a job again', async ({ page, request }) => {
  const id = await ownJob(page, 'tarnbrook-job.json', 'pack');
  await go(page, `/jobs/${id}/handover`);
  await expect(page.getByText(/things are not proven and nobody accepted them/)).toBeVisible();
  await page.getByLabel('Where passwords and keys are kept').fill('In the safe of the office');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('checkbox', { name: 'Parts and cost' }).check();
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'The pack on paper, PDF' }).click(),
  ]);
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  const [zip] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'The pack as open files, ZIP' }).click(),
  ]);
  const bytes = readFileSync(await zip.path());
  await page.goto('/');
  await page
    .getByLabel('Job file, pack or port map')
    .setInputFiles({ name: 'pack.zip', mimeType: 'application/zip', buffer: bytes });
  await page.waitForURL(/\/jobs\/(?!pack-)[^/]+\/runs/);
  const again = /\/jobs\/([^/]+)\//.exec(page.url())?.[1] ?? '';
  const [one, other] = [await jobOf(request, id), await jobOf(request, again)];
  expect({ ...other, id: '' }).toEqual({ ...one, id: '' });

  // One octet changed: refused in words, and nothing is kept.
  const broken = Buffer.from(bytes);
  broken[Math.floor(broken.length / 2)] = (broken[Math.floor(broken.length / 2)] ?? 0) ^ 0xff;
  const refused = await request.post('/api/jobs/file', {
    data: broken,
    headers: { 'content-type': 'application/zip' },
  });
  expect(refused.status()).toBe(422);

  // The port map alone.
  const csv = await (await request.get(`/api/jobs/${id}/files/port-map.csv`)).body();
  await page.goto('/');
  await page
    .getByLabel('Job file, pack or port map')
    .setInputFiles({ name: 'From the door.csv', mimeType: 'text/csv', buffer: csv });
  await page.waitForURL(/\/jobs\/[^/]+\/runs/);
  await expect(page.getByText(/does not hold: cabinets and places/)).toBeVisible();
});

test('one more is found, taken in one step, and one less gives it back', async ({ page, request }) => {
  const id = await ownJob(page, 'tarnbrook-job.json', 'more');
  await go(page, `/jobs/${id}/handover/more`);
  await page.getByLabel('What', { exact: true }).selectOption('desk');
  const ways = page.getByRole('region', { name: 'Ways' });
  await expect(ways.getByRole('article').first()).toBeVisible();
  const before = await jobOf(request, id);
  await ways.getByRole('article').first().getByRole('button', { name: 'Take this way' }).click();
  await saved(page);
  const after = await jobOf(request, id);
  expect(Object.keys(after.cords).length).toBe(Object.keys(before.cords).length + 1);
  await page
    .getByRole('button', { name: 'Undo', exact: true })
    .or(page.getByRole('button', { name: /^Undo/ }))
    .first()
    .click();
  await saved(page);
  expect(Object.keys((await jobOf(request, id)).cords).length).toBe(Object.keys(before.cords).length);

  await page.getByRole('button', { name: 'One less' }).click();
  await page.getByRole('button', { name: /^Take .* out$/ }).click();
  await saved(page);
  expect(Object.keys((await jobOf(request, id)).cords).length).toBe(Object.keys(before.cords).length - 1);

  await page.getByRole('button', { name: 'What if' }).click();
  await page.getByLabel('What if').selectOption('more-watts');
  await expect(page.getByRole('table')).toContainText('PoE');
  await page.getByRole('button', { name: 'Move one' }).click();
  await expect(page.getByText(/stays where it is, as a spare/)).toBeVisible();
});

test('care is added, done and overdue; reasons are said later; cost is asked and told; versions are compared', async ({
  page,
  request,
}) => {
  const id = await openJobFile(page, smallJob('Care', ['1', '2']));
  await go(page, `/jobs/${id}/handover/care`);
  await page.getByRole('button', { name: /^Clean or change the filters/ }).click();
  await saved(page);
  await page.getByLabel('Last done on').fill('2020-01-01');
  await saved(page);
  await expect(page.getByRole('region', { name: 'Overdue' })).toContainText('2020-07-01');
  await page.getByRole('button', { name: 'Done today' }).click();
  await saved(page);
  await expect(page.getByRole('region', { name: 'Within a year' })).toContainText('Clean or change the filters');
  expect(await (await request.get(`/api/jobs/${id}/files/care.ics`)).text()).toContain('BEGIN:VEVENT');

  await go(page, `/jobs/${id}/handover/log`);
  const why = page.getByLabel(/^Why: /).first();
  await why.fill('The client asked');
  await page.keyboard.press('Enter');
  await page.getByLabel('Reasons').selectOption('with');
  await expect(page.getByRole('listitem').filter({ has: page.getByLabel(/^Why: /) })).toHaveCount(1);
  expect(await (await request.get(`/api/jobs/${id}/log?as=csv`)).text()).toContain('The client asked');

  await go(page, `/jobs/${id}/handover/cost`);
  await page
    .getByLabel(/^Price of a pack of /)
    .first()
    .fill('12,50');
  await page.keyboard.press('Enter');
  await saved(page);
  const csv = await (await request.get(`/api/jobs/${id}/files/cost.csv`)).text();
  expect(csv).toContain('12.50');

  await go(page, `/jobs/${id}/handover/built`);
  await expect(page.getByRole('heading', { name: /^Care dates/ })).toBeVisible();
  const paper = await request.get(`/api/jobs/${id}/compared?from=0&to=1`);
  expect(paper.headers()['content-type']).toContain('pdf');
  expect((await request.get(`/api/jobs/${id}/compared?from=0&to=9999`)).status()).toBe(404);
});

test('a photograph is made small, freed of its place, shown with its run, and in the pack', async ({
  page,
  request,
}) => {
  const id = await openJobFile(page, smallJob('Pictures', ['1', '2']));
  // A picture as a camera gives it: with remarks that say where it was taken.
  const plain = await page.screenshot({ type: 'jpeg' });
  const remark = Buffer.from('Exif\0\0 GPS 51.5 N 0.1 W');
  const segment = Buffer.concat([Buffer.from([0xff, 0xe1, 0, remark.length + 2]), remark]);
  const picture = Buffer.concat([plain.subarray(0, 2), segment, plain.subarray(2)]);
  expect(picture.includes('GPS 51.5')).toBe(true);

  await go(page, `/jobs/${id}/prove/board`);
  const row = page.getByRole('region', { name: 'What is open', exact: true }).getByRole('listitem').first();
  await row.getByRole('button', { name: 'Tests' }).click();
  await row
    .getByLabel('Photograph of run 1')
    .setInputFiles({ name: 'DSC01.jpg', mimeType: 'image/jpeg', buffer: picture });
  await expect(row.getByRole('img', { name: /^run 1 / })).toBeVisible();
  const kept = await (await request.get(`/api/jobs/${id}/kept`)).json();
  expect(kept).toHaveLength(2);
  for (const { id: file } of kept) {
    const body = await (await request.get(`/api/jobs/${id}/kept/${file}`)).body();
    expect(body.includes('GPS')).toBe(false);
    expect(body.subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
  }
  const html = await (await request.get(`/api/jobs/${id}/files/handover.html`)).text();
  expect(html).toContain('data:image/jpeg;base64,');
  expect(html).not.toContain('GPS 51.5');
  await go(page, `/jobs/${id}/handover/photographs`);
  await expect(
    page.getByRole('region', { name: 'Of places, runs, devices, steps and faults' }).getByRole('img'),
  ).toHaveCount(1);

  // What comes past the browser is held to the same, and what is no picture is refused.
  const send = (bytes: Buffer) =>
    request.post(`/api/jobs/${id}/kept`, {
      data: { id: 'photo-x', kind: 'photo', about: '', name: 'x', by: '', base64: bytes.toString('base64') },
    });
  expect((await send(picture)).ok()).toBe(true);
  expect((await (await request.get(`/api/jobs/${id}/kept/photo-x`)).body()).includes('GPS')).toBe(false);
  const refused = await send(Buffer.from('<svg onload=alert(1)>'));
  expect(refused.status()).toBe(422);
  expect((await refused.json()).message).toContain('expected a picture as JPEG');
  await page
    .getByRole('region', { name: 'Of places, runs, devices, steps and faults' })
    .getByRole('button', { name: /^Take run 1/ })
    .click();
  await expect(page.getByRole('region', { name: 'Of places, runs, devices, steps and faults' })).toHaveCount(0);
});
