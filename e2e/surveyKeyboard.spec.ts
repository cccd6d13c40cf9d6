import { expect, test } from '@playwright/test';
import { jobOf } from './api';
import { go, openJobFile, saved, smallJob, tabTo } from './job';

test('plan, wishes and pathways with the keyboard alone', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Keys', ['A1', 'A2', 'A3']));
  await go(page, `/jobs/${id}/survey`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await tabTo(page, /^\+ Floor$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^\+ Room$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Room Room 1$/);
  for (const key of ['Shift+ArrowRight', 'ArrowRight', 'Shift+ArrowDown']) await page.keyboard.press(key);
  await expect(page.getByTestId('announcer')).toHaveText('Room 1: 1.1 m from the left, 1 m from the top');
  await tabTo(page, /^Name$/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Hall');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Room Hall 3 runs', exact: true })).toHaveCount(0);

  await tabTo(page, /^Wishes$/);
  await page.keyboard.press('Enter');
  await page.waitForURL(/wishes/);
  await tabTo(page, /^camera in Hall, now$/);
  await page.keyboard.type('2');
  await page.keyboard.press('Enter');
  await tabTo(page, /^Add 2 runs$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Nothing to add' })).toBeVisible();

  await page.evaluate('document.activeElement.blur()');
  await page.keyboard.press('2');
  await page.waitForURL(/runs/);
  await tabTo(page, /^Pathways$/);
  await page.keyboard.press('Enter');
  await page.waitForURL(/pathways/);
  await tabTo(page, /^\+ Pathway$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^A1/);
  await page.keyboard.press('Space');
  await expect(page.getByText('1 ticked')).toBeVisible();
  await tabTo(page, /^Remove the pathway$/);
  await saved(page);
});

test('in feet and inches everything is typed and shown so', async ({ page }) => {
  const file = JSON.parse(smallJob('Imperial', ['A1']));
  file.job.units = 'imperial';
  file.runs[0].cable = 'Cat 6 U/UTP';
  const id = await openJobFile(page, JSON.stringify(file));
  await go(page, `/jobs/${id}/survey`);
  await page.getByRole('button', { name: '+ Floor' }).click();
  await expect(page.getByLabel('Height of rooms (ft)')).toHaveValue('8.86');
  await page.getByRole('button', { name: '+ Room' }).click();
  await page.getByLabel('Width (ft)').fill('20');
  await page.getByLabel('Width (ft)').press('Enter');
  await expect(page.getByRole('button', { name: /Room 1 20 ft × 9.8 ft/ })).toBeVisible();
  await go(page, `/jobs/${id}/survey/questions`);
  await page.getByLabel(/Slack left at the cabinet/).fill('10');
  await page.getByLabel(/Slack left at the cabinet/).press('Enter');
  await expect(page.getByLabel(/✓ Slack left at the cabinet/)).toHaveValue('10');
  await go(page, `/jobs/${id}/runs`);
  await page.getByLabel('Columns').selectOption('cable');
  await page.getByLabel('Length in feet of A1').fill('74');
  await page.getByLabel('Length in feet of A1').press('Enter');
  await page.getByLabel('Free tail in feet of A1').fill('5');
  await page.getByLabel('Free tail in feet of A1').press('Enter');
  await page.getByLabel('Label of A1').focus();
  await expect(page.getByLabel('Figures of A1')).toContainText('74 ft, measured');
  await saved(page);
  const job = await jobOf(page.request, id);
  expect(Object.values(job.runs)).toMatchObject([{ lengthMm: 22_555, tailMm: 1524 }]);
  expect(Object.values(job.answers)).toMatchObject([{ id: 'slack-cabinet', value: '3048' }]);
});

test('two windows change the survey at once, and nothing is lost', async ({ page, context }) => {
  const id = await openJobFile(page, smallJob('Two', ['A1']));
  await go(page, `/jobs/${id}/survey/scope`);
  const other = await context.newPage();
  await go(other, `/jobs/${id}/survey/scope`);
  for (const [window, words] of [
    [page, 'from the first'],
    [other, 'from the second'],
  ] as const) {
    await window.getByLabel('A new open point').fill(words);
    await window.getByLabel('A new open point').press('Enter');
  }
  for (const window of [page, other]) {
    await window.bringToFront();
    await expect(window.getByRole('checkbox', { name: 'from the first' })).toBeVisible();
    await expect(window.getByRole('checkbox', { name: 'from the second' })).toBeVisible();
  }
});
