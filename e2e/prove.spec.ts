import { rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test } from '@playwright/test';
import { toDataURL } from 'qrcode';
import { CHROMIUM } from '../scripts/lib/browser';
import { jobOf } from './api';
import { anotherBrowser, demoText, go, openJobFile, saved, smallJob } from './job';

const now = (page: Parameters<typeof go>[0]) => page.getByRole('article', { name: 'The run now' });

test('runs are logged by thumb: pass in one tap, a wire map in words, without a network too', async ({
  page,
  request,
  context,
}) => {
  const id = await openJobFile(page, smallJob('Proof', ['1', '2', '3']));
  await go(page, `/jobs/${id}/land`);
  await page.getByRole('button', { name: 'Land 3 runs in label order' }).click();
  await saved(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await go(page, `/jobs/${id}/prove`);
  await page.getByRole('button', { name: 'Add a tester' }).click();
  await page.getByLabel('It can tell').selectOption('wire-map');
  await page.getByLabel('Detects split pairs').selectOption('yes');
  // A hand scanner types the code of a label and Enter.
  await page.getByLabel('Label, or the code on it').fill('http://shelf.test/jobs/x/runs?trace=3');
  await page.keyboard.press('Enter');
  await expect(now(page)).toContainText('Run 3');
  await page.getByLabel('Label, or the code on it').fill('nowhere');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'There is no run “nowhere”' })).toBeVisible();
  await page.getByLabel('Label, or the code on it').fill('1');
  await page.keyboard.press('Enter');
  await expect(now(page)).toContainText('Run 1');
  await page.getByRole('button', { name: 'Pass' }).click();
  await expect(now(page)).toContainText('Run 2');
  await saved(page);

  await context.setOffline(true);
  await page.getByLabel('Wire map, far pins of 1 to 8').fill('1 2 3 4 5');
  await page.getByRole('button', { name: 'Fail' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Expected eight far pins' })).toBeVisible();
  await page.getByLabel('Wire map, far pins of 1 to 8').fill('3 6 1 4 5 2 7 8');
  await expect(now(page)).toContainText('One end is T568A and the other T568B');
  await page.getByRole('button', { name: 'Fail' }).click();
  await expect(now(page)).toContainText('Run 3');
  await context.setOffline(false);
  await saved(page);
  expect(
    Object.values((await jobOf(request, id)).results)
      .map(({ passed }) => passed)
      .sort(),
  ).toEqual([false, true]);

  // What is open says why, and somebody may accept it by name.
  await go(page, `/jobs/${id}/prove/board`);
  const board = page.getByRole('region', { name: 'What is open', exact: true });
  await expect(board.getByRole('listitem').first()).toContainText('T568A');
  await board.getByRole('listitem').first().getByRole('button', { name: 'Accept …' }).click();
  await page.getByLabel('By whom').fill('Sam');
  await page.getByLabel('Why it is handed over so').fill('Goes in spring');
  await page.getByRole('button', { name: 'Accept 2' }).click();
  await saved(page);
  await expect(board.getByText('2 of 3')).toBeVisible();
});

test('results of two people come together', async ({ page, request, browser }) => {
  const id = await openJobFile(page, smallJob('Two ends', ['1', '2']));
  const other = await anotherBrowser(browser);
  await go(page, `/jobs/${id}/prove`);
  await go(other, `/jobs/${id}/prove`);
  for (const phone of [page, other]) await expect(now(phone)).toBeVisible();
  // Both in the cellar: what they log waits, and comes together when they are back.
  for (const phone of [page, other]) await phone.context().setOffline(true);
  await page.getByRole('button', { name: 'Pass' }).click();
  await other.getByRole('button', { name: 'Fail' }).click();
  for (const phone of [page, other]) await phone.context().setOffline(false);
  await saved(page);
  await saved(other);
  expect(Object.keys((await jobOf(request, id)).results)).toHaveLength(2);
});

test('a fault is narrowed down by keys alone, and contradictions are named', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Trouble', ['1', '2']));
  await go(page, `/jobs/${id}/prove/trouble`);
  await page.getByLabel('What is seen').selectOption('slow');
  const next = page.getByRole('article', { name: 'What to do next' });
  const before = await page.getByRole('region', { name: 'Suspects' }).getByRole('listitem').count();
  await next.getByRole('button').last().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Answers' }).getByRole('listitem')).toHaveCount(1);
  expect(await page.getByRole('region', { name: 'Suspects' }).getByRole('listitem').count()).toBeLessThan(before);
  for (let round = 0; round < 12 && (await next.count()) > 0; round++) await next.getByRole('button').last().click();
  await expect(page.getByRole('alert').filter({ hasText: 'contradict' })).toBeVisible();
  await page.getByRole('button', { name: 'Take the last back' }).click();
  await expect(next).toBeVisible();
});

test('a wire map is told in words, pin by pin', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Map', ['1']));
  await go(page, `/jobs/${id}/prove/faults`);
  await page.getByLabel('Far pins of pins 1 to 8').fill('1 2 3 - - 6 7 8');
  for (const [pair, metres] of [
    ['1-2', '32'],
    ['3-6', '32.5'],
    ['4-5', '0,7'],
    ['7-8', '31.9'],
  ] as const)
    await page.getByLabel(pair, { exact: true }).fill(metres);
  await expect(page.getByRole('region', { name: 'What it says' })).toContainText('at this end: end it anew here first');
  await expect(page.getByRole('img', { name: /^Wire map: .*4 to nothing/ })).toBeVisible();
  await page.getByLabel('Far pins of pins 1 to 8').fill('nine');
  await expect(page.getByRole('alert').filter({ hasText: 'Expected eight far pins' })).toBeVisible();
});

test('what a switch sees is held against the plan, and taken into it', async ({ page, request }) => {
  const job = JSON.parse(demoText('tarnbrook-job.json'));
  job.job.id = `seen-${Math.random().toString(36).slice(2)}`;
  const id = await openJobFile(page, JSON.stringify(job));
  await go(page, `/jobs/${id}/prove/compare`);
  await page.getByLabel('Switch', { exact: true }).selectOption({ label: 'New switch' });
  await page.getByLabel('Simulated switch, with').selectOption('mixed');
  await page.getByRole('button', { name: 'Ask the simulated switch' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'no real switch was asked' })).toBeVisible();
  const causes = page.getByRole('region', { name: 'Causes' });
  await expect(causes.getByRole('listitem').first()).toContainText('are exchanged');
  const before = Object.values((await jobOf(request, id)).cords).map(({ id: cord, toPort }) => `${cord} ${toPort}`);
  await causes.getByRole('button', { name: 'Take it into the plan' }).click();
  await saved(page);
  await expect(causes).not.toContainText('are exchanged');
  const after = Object.values((await jobOf(request, id)).cords).map(({ id: cord, toPort }) => `${cord} ${toPort}`);
  expect(after.filter((one) => !before.includes(one))).toHaveLength(2);
  await page.getByText('Or put in what a walk over it printed, or CSV').click();
  await page.getByLabel(/^What a walk over the switch printed/).fill('label,room');
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing in it is of the standard modules' })).toBeVisible();
});

test('a tester’s file is mapped, taken once and kept as it is; its values are looked at, and failed runs have cards', async ({
  page,
  request,
}) => {
  const id = await openJobFile(page, smallJob('File', ['1', '2', '3']));
  await go(page, `/jobs/${id}/prove/many`);
  await page.getByRole('button', { name: 'Add a tester' }).click();
  const sweep = [1, 10, 100].map(
    (mhz) => `1;pass;2026-11-27 18:30;certified;Cat 6 channel;NEXT;12-36;${mhz};${mhz === 100 ? 30 : 66}`,
  );
  const file = [
    'Cable ID;Verdict;Tested at;Looked at;Limit;Parameter;Pair;MHz;dB',
    ...sweep,
    '2;pass;2026-11-27 18:31;wire-map;;;;;',
    '9;pass;2026-11-27 18:32;wire-map;;;;;',
  ].join('\n');
  const give = () =>
    page
      .getByLabel('A tester’s file: any CSV, or drop it here')
      .setInputFiles({ name: 'tests of Monday.csv', mimeType: 'text/csv', buffer: Buffer.from(file) });
  await give();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByTestId('counts')).toHaveText('2 new, 0 known already, 1 not taken.');
  await expect(sheet.getByRole('list', { name: 'What is not taken' })).toContainText('Row 6, label: found “9”');
  await sheet.getByLabel('Column Verdict holds').selectOption('');
  await expect(sheet.getByTestId('counts')).toHaveText('0 new, 0 known already, 3 not taken.');
  await sheet.getByLabel('Column Verdict holds').selectOption('passed');
  await sheet.getByRole('button', { name: 'Take 2 results' }).click();
  await expect(sheet).toBeHidden();
  await saved(page);
  await give();
  await expect(sheet.getByTestId('counts')).toHaveText('0 new, 2 known already, 1 not taken.');
  await page.keyboard.press('Escape');

  const [first] = Object.values((await jobOf(request, id)).results).filter(({ limit }) => limit !== '');
  expect(first?.marginDb).toBeLessThan(0);
  const kept = await (await request.get(`/api/jobs/${id}/kept`)).json();
  expect(kept).toMatchObject([{ kind: 'tester', name: 'tests of Monday.csv', bytes: Buffer.byteLength(file) }]);
  expect(await (await request.get(`/api/jobs/${id}/kept/${kept[0].id}`)).text()).toBe(file);

  await go(page, `/jobs/${id}/prove/board`);
  const board = page.getByRole('region', { name: 'What is open', exact: true });
  const row = board.getByRole('listitem').filter({ hasText: 'misses Cat 6 channel by' });
  await row.getByRole('button', { name: 'Tests' }).click();
  await row.getByRole('button', { name: 'Values by frequency' }).click();
  await expect(row.getByText(/^Least margin of NEXT: -\d/)).toBeVisible();
  const card = await request.get(`/api/jobs/${id}/files/fault-cards.pdf`);
  expect(card.ok()).toBe(true);
  await expect(board.getByRole('link', { name: /^Fault cards/ })).toBeVisible();
});

test('many runs pass at once; cords, uplinks and feeds are stood for, and not once they are changed', async ({
  page,
  request,
}) => {
  const job = JSON.parse(demoText('tarnbrook-job.json'));
  job.job.id = `gate-${Math.random().toString(36).slice(2)}`;
  const id = await openJobFile(page, JSON.stringify(job));
  await go(page, `/jobs/${id}/prove/many`);
  await page.getByRole('button', { name: 'Add a tester' }).click();
  await page.getByLabel('It can tell').selectOption('wire-map');
  await page.getByLabel('Detects split pairs').selectOption('yes');
  await page.getByRole('button', { name: /^Choose all/ }).click();
  await page.getByRole('button', { name: /^\d+ passed$/ }).click();
  await saved(page);
  await go(page, `/jobs/${id}/prove/board`);
  const board = page.getByRole('region', { name: 'What is open', exact: true });
  await page.getByLabel('Of', { exact: true }).selectOption('cord');
  const before = await board.getByRole('list').first().getByRole('listitem').count();
  await board.getByRole('listitem').first().getByRole('button', { name: 'Looked at' }).click();
  await page.getByLabel('By whom').fill('Kim');
  await page.getByRole('button', { name: 'It is as planned' }).click();
  await saved(page);
  await page.getByLabel('Show').selectOption('signed off');
  await expect(board.getByRole('list').first().getByRole('listitem')).toHaveCount(1);
  await page.getByLabel('Show').selectOption('open');
  const second = board.getByRole('list').first().getByRole('listitem').first();
  await second.getByRole('button', { name: 'Accept …' }).click();
  await page.getByLabel('By whom').fill('Sam');
  await page.getByLabel('Why it is handed over so').fill('Temporary');
  await page.getByRole('button', { name: 'Accept it' }).click();
  await saved(page);
  await expect(board.getByRole('list').first().getByRole('listitem')).toHaveCount(before - 2);
  const vouches = Object.values((await jobOf(request, id)).vouches);
  expect(vouches.map(({ how }) => how).sort()).toEqual(['accepted', 'eye']);
});

test('what was found teaches the odds, and is kept with the run', async ({ page, request }) => {
  const id = await openJobFile(page, smallJob('Learns', ['1', '2']));
  await go(page, `/jobs/${id}/prove/trouble`);
  const next = page.getByRole('article', { name: 'What to do next' });
  const found = page.getByRole('status').filter({ hasText: 'Found:' });
  // Every answer may be the last: what is to be pressed next may be gone already.
  await expect(async () => {
    if (!(await found.isVisible()))
      await next
        .getByRole('button')
        .first()
        .click({ timeout: 2_000 })
        .catch(() => {});
    expect(await found.isVisible()).toBe(true);
  }).toPass({ intervals: [0] });
  await saved(page);
  await expect(found).toBeVisible();
  await expect(page.getByRole('region', { name: 'Found before' }).getByRole('listitem')).toHaveCount(1);
  expect(Object.values((await jobOf(request, id)).mends)).toHaveLength(1);
  await page.getByText('Where the odds are from').click();
  await expect(page.getByText(/and \d+ found here and in your other jobs/)).toBeVisible();
});

test('practice: an invented fault is found, and the minutes stand beside the best', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Practice', ['1']));
  await go(page, `/jobs/${id}/prove/practice`);
  await expect(page.getByRole('status').filter({ hasText: 'Simulated: an invented site' })).toBeVisible();
  await page.getByLabel('Level').selectOption('10');
  const mends = page.getByRole('region', { name: 'Mends' });
  await page.getByRole('region', { name: 'Tests' }).getByRole('button').first().click();
  for (let round = 0; round < 12 && (await mends.count()) > 0; round++) {
    await mends.getByRole('button').first().focus();
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('status').filter({ hasText: /^Found in \d+ min/ })).toBeVisible();
  await expect(
    page.getByRole('region', { name: 'The way by the odds, and why' }).getByRole('listitem').first(),
  ).toBeVisible();
});

test('a simulated switch is read twice: what changed is told, and the loom shows what was seen', async ({
  page,
  request,
}) => {
  const job = JSON.parse(demoText('tarnbrook-job.json'));
  job.job.id = `read-${Math.random().toString(36).slice(2)}`;
  const id = await openJobFile(page, JSON.stringify(job));
  await go(page, `/jobs/${id}/prove/compare`);
  await page.getByLabel('Switch', { exact: true }).selectOption({ label: 'New switch' });
  await page.getByLabel('Simulated switch, with').selectOption('none');
  await page.getByRole('button', { name: 'Ask the simulated switch' }).click();
  await expect(page.getByText('As planned, as far as it can be told')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  const earlier = page.getByRole('region', { name: 'Earlier readings' });
  await expect(earlier.getByRole('listitem')).toHaveCount(1);
  await page.getByLabel('Simulated switch, with').selectOption('errors');
  await page.getByRole('button', { name: 'Ask the simulated switch' }).click();
  await expect(page.getByRole('region', { name: 'Causes' })).toContainText('broken frames');
  await earlier.getByRole('button', { name: 'What changed since' }).click();
  await expect(earlier.getByRole('status')).toContainText('broken frames a day');
  await page.getByLabel('Simulated switch, with').selectOption('exchanged');
  await page.getByRole('button', { name: 'Ask the simulated switch' }).click();
  await page.getByRole('link', { name: 'see it on the loom' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'seen elsewhere than planned' })).toBeVisible();
  await page.getByRole('button', { name: 'Put away' }).click();

  // Nothing but the list and the simulated ones is reached through the server.
  for (const address of ['127.0.0.1', '192.168.10.2', '203.0.113.9', 'localhost']) {
    const answer = await request.post(`/api/jobs/${id}/switch`, {
      data: { address, port: 161, as: { version: '2c', community: 'public' } },
    });
    expect(answer.status()).toBe(422);
    expect((await answer.json()).code).toBe('not-listed');
  }
});

test('the camera reads the code of a label, and says so where there is none', async ({ page, baseURL }) => {
  const id = await openJobFile(page, smallJob('Camera', ['1', '2', '3']));
  await go(page, `/jobs/${id}/prove`);
  await page.getByRole('button', { name: 'Scan it with the camera' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'type the label' })).toBeVisible();

  // What a camera would see: the code as a picture, over and over.
  const code = await toDataURL(`${baseURL}/jobs/${id}/runs?trace=3`, { width: 360, margin: 4 });
  await page.setContent(`<body style="margin:0;background:#fff"><img style="margin:60px 140px" src="${code}">`);
  await page.setViewportSize({ width: 640, height: 480 });
  const frame = await page.screenshot({ type: 'jpeg', quality: 90 });
  const file = join(tmpdir(), `seen-${id}.mjpeg`);
  writeFileSync(file, Buffer.concat(Array.from({ length: 10 }, () => frame)));
  const { executablePath, args } = CHROMIUM;
  const seeing = await chromium.launch({
    executablePath,
    args: [
      ...args,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${file}`,
    ],
  });
  try {
    const phone = await seeing.newPage();
    await phone.goto(`${baseURL}/jobs/${id}/prove`);
    await phone.getByRole('button', { name: 'Scan it with the camera' }).click();
    await expect(now(phone)).toContainText('Run 3');
  } finally {
    await seeing.close();
    rmSync(file, { force: true });
  }
});
