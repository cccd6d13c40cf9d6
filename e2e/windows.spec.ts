import { expect, test } from '@playwright/test';
import { anotherBrowser, go, hold, openJobFile, saved, smallJob } from './job';

test('two windows edit one job at the same time, and nothing is lost', async ({ page, context }) => {
  const id = await openJobFile(page, smallJob('Two windows', ['1', '2', '3']));
  const other = await context.newPage();
  await go(other, `/jobs/${id}/land`);
  await go(page, `/jobs/${id}/runs`);

  // Both change it without knowing of each other: the second one's step is put on top of the first one's.
  await other.getByRole('button', { name: 'Land 3 runs in label order' }).click();
  await page.getByLabel('Room of 2').fill('Cellar');
  await page.getByLabel('Room of 2').press('Enter');
  await saved(page);
  await saved(other);
  await expect(other.getByRole('button', { name: /^2 2 .*Panel port 2, Cellar/ })).toBeVisible();
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Land' }).click();
  await expect(page.getByRole('button', { name: /^3 3 .*Panel port 3, Hall/ })).toBeVisible();
});

test('a step on an old base is put on top of what another browser did, or set aside', async ({ page, browser }) => {
  const id = await openJobFile(page, smallJob('Replay', ['1', '2', '3']));
  const other = await anotherBrowser(browser);
  await go(other, `/jobs/${id}/land`);
  await go(page, `/jobs/${id}/land`);
  await expect(page.getByRole('button', { name: /^Land 3/ })).toBeVisible();

  // What the first window sends is held back until the other one is done.
  const release = await hold(page);
  await page.getByRole('button', { name: /^1 Hall/ }).click();
  await page.getByRole('button', { name: /^1 spare/ }).click();
  await page.getByRole('button', { name: /^2 Hall/ }).click();
  await page.getByRole('button', { name: /^2 spare/ }).click();
  await expect(page.getByTestId('link')).toHaveText(/^Saving/);
  await other.getByRole('button', { name: /^3 Hall/ }).click();
  await other.getByRole('button', { name: /^2 spare/ }).click();
  await saved(other);
  release();

  // Run 1 stands; run 2 met run 3 on its port, and the person is told so.
  await expect(
    page.getByText(/“Land 2 on Panel port 2” could not be done and was set aside: Panel port 2 is taken by 3/),
  ).toBeVisible();
  await saved(page);
  for (const window of [page, other]) {
    await expect(window.getByRole('button', { name: /^1 1 .*Panel port 1, Hall/ })).toBeVisible();
    await expect(window.getByRole('button', { name: /^2 3 .*Panel port 2, Hall/ })).toBeVisible();
    await expect(window.getByText('10 of 12 ports spare')).toBeVisible();
  }
});
