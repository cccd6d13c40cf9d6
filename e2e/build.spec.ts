import { type APIRequestContext, expect, type Page, test } from '@playwright/test';
import { readJobFile } from '../src/core/exchange/formats/jobFile';
import { commandsOf } from '../src/core/job/commands/setField';
import { diffJobs } from '../src/core/job/document/change';
import { jobOf, sendBatch } from './api';
import { anotherBrowser, demoText, go, openJobFile, saved } from './job';

/** The pottery's cabinet of its own: what stands is named, then the job becomes what is to stand. */
async function openRebuild(page: Page, request: APIRequestContext): Promise<string> {
  const today = JSON.parse(demoText('ostermoor-today.json'));
  today.job.id = `rebuild-${Math.random().toString(36).slice(2)}`;
  const id = await openJobFile(page, JSON.stringify(today));
  await go(page, `/jobs/${id}/build/terms`);
  await page.getByRole('button', { name: 'What this job shows now stands today' }).click();
  await expect(page.getByLabel('What stands today')).toHaveValue('0');
  await saved(page);
  const was = await jobOf(request, id);
  const plan = readJobFile(demoText('ostermoor-plan.json'));
  const commands = commandsOf(diffJobs(was, { ...plan, id, cutovers: was.cutovers }));
  await sendBatch(request, id, commands);
  return id;
}

const now = (page: Page) => page.getByRole('article', { name: 'The step now' });

test('the build from today’s cabinet: its order is seen and moved by keys, its terms change it', async ({
  page,
  request,
}) => {
  const id = await openRebuild(page, request);
  await go(page, `/jobs/${id}/build`);
  await expect(page.getByText('proven least')).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Docket' })).toContainText('New battery unit is due 2026-12-10');
  const monday = page.getByRole('region', { name: 'Monday evening', exact: true });
  await expect(monday.getByRole('listitem').first()).toContainText('Pull run 17');
  await expect(page.getByRole('img', { name: /^Services over/ })).toBeVisible();

  // A step goes before its neighbour by keys, and what that costs is said.
  await page.getByRole('button', { name: 'Land run 16 anew earlier' }).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await saved(page);
  await expect(page.getByText('Pins cost')).toBeVisible();
  await page.getByRole('region', { name: 'Pins' }).getByRole('button', { name: 'Let go' }).click();
  await expect(page.getByText('Pins cost')).toHaveCount(0);

  // All at once and in phases, side by side.
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByRole('row')).toHaveCount(5);

  // Fewer visits: what fits in none is said.
  await go(page, `/jobs/${id}/build/terms`);
  for (const name of ['Tuesday evening', 'Sunday']) await page.getByRole('button', { name: `Remove ${name}` }).click();
  await saved(page);
  await go(page, `/jobs/${id}/build`);
  await expect(page.getByRole('complementary', { name: 'Docket' })).toContainText('of work does not fit in the visits');
});

test('the build is played forwards and back by keys, and told to people', async ({ page, request }) => {
  const id = await openRebuild(page, request);
  await go(page, `/jobs/${id}/build/play`);
  const cabinet = page.getByRole('img', { name: /^Kiln-room cabinet:/ });
  await expect(cabinet).toHaveAccessibleName(/U12 Old panel/);
  await page.getByRole('button', { name: 'On', exact: true }).focus();
  await page.keyboard.press('End');
  await expect(cabinet).toHaveAccessibleName(/U11 Keystone panel/);
  await expect(cabinet).not.toHaveAccessibleName(/Old panel/);
  await expect(page.getByText('It is done: this is the plan.')).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).focus();
  await page.keyboard.press('Home');
  await expect(cabinet).toHaveAccessibleName(/U12 Old panel/);

  await go(page, `/jobs/${id}/build/notice`);
  await expect(page.getByRole('region', { name: 'Notice' })).toContainText('Monday evening: 2026-12-07, 18:00');
  for (const [file, start] of [
    ['visits.ics', 'BEGIN:VCALENDAR'],
    ['outage.txt', 'Ostermoor Pottery'],
    ['kit.csv', '\uFEFFitem,kind'],
    ['build.pdf', '%PDF'],
  ] as const) {
    const answer = await request.get(`/api/jobs/${id}/files/${file}`);
    expect(answer.status()).toBe(200);
    expect((await answer.body()).toString('utf8').startsWith(start)).toBe(true);
  }
});

test('a part comes later: what waits for it is said, and gone once it is there', async ({ page, request }) => {
  const id = await openRebuild(page, request);
  await go(page, `/jobs/${id}/build/kit`);
  const parts = page.getByRole('region', { name: 'Parts' });
  const unit = parts.getByRole('listitem').filter({ hasText: 'New battery unit' });
  await expect(unit).toContainText('1 step waits');
  await unit.getByLabel('Where New battery unit is').selectOption('in-van');
  await saved(page);
  await expect(unit).not.toContainText('waits');
});

test('on a phone steps are ticked, done otherwise and stuck, without a network too, and arrive', async ({
  page,
  request,
  context,
}) => {
  const id = await openRebuild(page, request);
  await page.setViewportSize({ width: 390, height: 844 });
  await go(page, `/jobs/${id}/build/work`);
  await expect(now(page)).toContainText('Pull run 17');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(now(page)).toContainText('Pull run 18');
  await saved(page);
  expect((await jobOf(request, id)).runs['run-17']?.state).toBe('pulled');

  await context.setOffline(true);
  await page.getByLabel('Minutes it took').fill('25');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(now(page)).toContainText('Put in New battery unit');
  await page.getByLabel('Note').fill('The box is not here.');
  await page.getByRole('button', { name: 'Stuck' }).click();
  await expect(now(page)).not.toContainText('Put in New battery unit');
  await context.setOffline(false);
  await saved(page);
  const ticks = Object.values((await jobOf(request, id)).ticks);
  expect(ticks.map(({ step, state }) => `${step} ${state}`).sort()).toEqual([
    'gear-unit stuck',
    'pull-run-17 done',
    'pull-run-18 done',
  ]);
  expect(ticks.find(({ step }) => step === 'pull-run-18')?.minutes).toBe(25);

  // It was put elsewhere: two taps, and the plan is changed to it.
  await page.getByRole('button', { name: /^stuck · Put in New battery unit|Put in New battery unit/ }).click();
  await page.getByRole('button', { name: 'It was done otherwise …' }).click();
  await page.getByRole('button', { name: 'Kiln-room cabinet U2', exact: true }).click();
  await saved(page);
  const after = await jobOf(request, id);
  expect(Object.values(after.placements).find(({ gearId }) => gearId === 'unit')?.bottomU).toBe(2);
  await page.getByRole('button', { name: 'Take back the last tick' }).click();
  await saved(page);
});

test('two people tick at once, and both ticks stand', async ({ page, request, browser }) => {
  const id = await openRebuild(page, request);
  const other = await anotherBrowser(browser);
  await go(page, `/jobs/${id}/build/work`);
  await go(other, `/jobs/${id}/build/work`);
  await expect(now(page)).toContainText('Pull run 17');
  await expect(now(other)).toContainText('Pull run 17');
  await other.getByRole('button', { name: /^Pull run 18/ }).click();
  await Promise.all([
    page.getByRole('button', { name: 'Done', exact: true }).click(),
    other.getByRole('button', { name: 'Done', exact: true }).click(),
  ]);
  await saved(page);
  await saved(other);
  const ticks = Object.values((await jobOf(request, id)).ticks).map(({ step }) => step);
  expect(ticks.sort()).toEqual(['pull-run-17', 'pull-run-18']);
  for (const window of [page, other]) await expect(window.getByText('2 done')).toBeVisible();
});
