import { expect, test } from '@playwright/test';
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
  await Promise.all([
    page.getByRole('button', { name: 'Pass' }).click(),
    other.getByRole('button', { name: 'Fail' }).click(),
  ]);
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
  await expect(page.getByRole('status').filter({ hasText: 'no switch was asked' })).toBeVisible();
  const causes = page.getByRole('region', { name: 'Causes' });
  await expect(causes.getByRole('listitem').first()).toContainText('are exchanged');
  const before = Object.values((await jobOf(request, id)).cords).map(
    ({ id: cord, switchPort }) => `${cord} ${switchPort}`,
  );
  await causes.getByRole('button', { name: 'Take it into the plan' }).click();
  await saved(page);
  await expect(causes).not.toContainText('are exchanged');
  const after = Object.values((await jobOf(request, id)).cords).map(
    ({ id: cord, switchPort }) => `${cord} ${switchPort}`,
  );
  expect(after.filter((one) => !before.includes(one))).toHaveLength(2);
  await page.getByLabel('What a walk over the switch printed, with numbers').fill('label,room');
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing in it is of the standard modules' })).toBeVisible();
});
