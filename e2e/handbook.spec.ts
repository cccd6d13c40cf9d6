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

test('what is typed before the search is there is sought all the same', async ({ page }) => {
  // What is fetched behind the first view is held up.
  let isHeld = false;
  let release: () => void = () => undefined;
  const released = new Promise<void>((done) => {
    release = done;
  });
  await page.route('**/*.js', async (route) => {
    if (isHeld) await released;
    await route.continue();
  });
  await page.goto('/jobs/quillback/runs');
  await expect(page.getByRole('button', { name: 'Import runs' })).toBeVisible();
  isHeld = true;
  await page.keyboard.press('/');
  // Digits are keys to stations elsewhere.
  await page.keyboard.type('07');
  const field = page.getByPlaceholder(/A label, room/);
  await expect(field).toHaveValue('07');
  await expect(page).toHaveURL(/\/runs$/);
  release();
  await expect(page.getByRole('option', { name: /^07/ })).toBeVisible();
  await expect(field).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(field).toBeHidden();
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
