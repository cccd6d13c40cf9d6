import { expect, test } from '@playwright/test';
import { go, saved } from './job';

test('the handbook is searched, reckons with other numbers, and says what it expected', async ({ page }) => {
  await go(page, '/handbook');
  await page.getByLabel('Search the handbook').fill('power factor');
  await page.getByRole('button', { name: 'Current of a load at the mains.' }).click();
  const entry = page.getByRole('region', { name: 'Current of a load at the mains.' });
  await expect(entry.getByRole('status')).toContainText('3.04 A');
  await entry.getByLabel(/^Power factor/).fill('0,95');
  await expect(entry.getByRole('status')).toContainText('1.92 A');
  await expect(entry.getByRole('status')).toContainText('419 W / (230 V × 0.95)');
  await entry.getByLabel(/^Mains/).fill('12');
  await expect(entry.getByRole('status')).toContainText('volts: found “12”, expected 100 to 240 V.');
});

test('a formula is found from anywhere in a job by the keyboard alone', async ({ page }) => {
  await go(page, '/jobs/quillback/runs');
  await saved(page);
  await page.keyboard.press('/');
  await page.keyboard.type('dressed');
  await expect(page.getByRole('option', { name: /as hands dress it/ })).toBeVisible();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog', { name: 'Handbook' });
  await expect(sheet.getByRole('status')).toContainText('37.3 mm');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  // Find starts empty each time.
  await page.keyboard.press('/');
  await expect(page.getByPlaceholder(/A label, room/)).toHaveValue('');
});
