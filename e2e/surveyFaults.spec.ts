import { expect, type Page, test } from '@playwright/test';
import { jobOf, sendBatch } from './api';
import { demoText, go, openJobFile, smallJob } from './job';

const batch = (page: Page, id: string, rows: object[]) => sendBatch(page.request, id, [{ type: 'keepRows', rows }]);
const box = { id: 'b', name: 'B', cable: 'Cat 6', leftMm: 1000, bought: false, markMm: null, marksFall: true };

test('rows that cannot be are refused in words, and nothing of their step is kept', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Faults', ['A1']));
  const wrong = [
    [[{ table: 'boxes', record: { ...box, leftMm: -5 } }], 400, /leftMm/],
    [[{ table: 'boxes', record: { ...box, colour: 'red' } }], 400, /colour/],
    [[{ table: 'nothing', record: box }], 400, /table/],
    [
      [{ table: 'rooms', record: { id: 'r', floorId: 'x', name: 'R', xMm: 0, yMm: 0, widthMm: 900, depthMm: 900 } }],
      422,
      /floor is no longer/,
    ],
    [
      [
        { table: 'boxes', record: box },
        { table: 'boxes', record: { ...box, id: 'c', name: ' b ' } },
      ],
      422,
      /cannot share the name/,
    ],
  ] as const;
  for (const [rows, status, words] of wrong) {
    const { status: got, body } = await batch(page, id, [...rows]);
    expect(got).toBe(status);
    expect(body.message).toMatch(words);
  }
  expect((await jobOf(page.request, id)).boxes).toEqual({});
  expect((await batch(page, id, [{ table: 'boxes', record: box }])).status).toBe(200);
  expect((await jobOf(page.request, id)).boxes).toEqual({ b: box });
});

test('label sheets that cannot be made say why', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Sheets', ['A1']));
  const file = (query: string) => page.request.get(`/api/jobs/${id}/files/labels.svg?${query}`);
  for (const [query, words] of [
    ['kind=banner', /kind/],
    ['sheet=a7', /sheet/],
    ['own=210,297,9,8,70,36,0,0,0,0', /fewer or smaller/],
    ['own=1,2,3', /pageWidthMm/],
  ] as const) {
    const answer = await file(query);
    expect(answer.status()).toBe(422);
    expect((await answer.json()).message).toMatch(words);
  }
  const fine = await file('kind=tape&sheet=tape-12&as=inline');
  expect(fine.status()).toBe(200);
  expect(fine.headers()['content-type']).toContain('image/svg+xml');
  expect(await fine.text()).toContain('A1');
  const pdf = await page.request.get(`/api/jobs/${id}/files/labels.pdf?kind=wrap&code=1`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('the run schedule comes back from its CSV, field for field', async ({ page }) => {
  const text = await (await page.request.get('/api/jobs/marrowby/files/runs.csv')).text();
  expect(text.split('\n')[0]).toContain('jacket,bundle,entry,tail_m');
  const house = JSON.parse(demoText('marrowby-job.json'));
  const id = await openJobFile(page, JSON.stringify({ ...house, job: { id: 'copy', name: 'Copy' } }));
  await go(page, `/jobs/${id}/runs`);
  await page.getByRole('button', { name: 'Import runs' }).click();
  await page
    .getByLabel(/A CSV file/)
    .setInputFiles({ name: 'runs.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByTestId('counts')).toHaveText('0 new, 0 changed, 15 as they are, 0 not taken.');
  await expect(page.getByRole('button', { name: 'Nothing to import' })).toBeDisabled();
});

test('empty views say what to do next', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Empty', []));
  for (const [path, words] of [
    ['survey', /No floors yet/],
    ['survey/wishes', /Draw the rooms on the site plan first/],
    ['runs', /No runs yet/],
    ['runs/pathways', /describe it once/],
    ['runs/buying', /Plan the boxes first/],
    ['runs/tracing', /list the jacks in the rooms/],
  ] as const) {
    await go(page, `/jobs/${id}/${path}`);
    await expect(page.getByText(words)).toBeVisible();
  }
});
