import { expect, type Page, test } from '@playwright/test';

/** Make a part of the browser throw until the page says that it is whole again. */
const breaks = (page: Page, part: 'ResizeObserver' | 'MutationObserver') =>
  page.addInitScript((name) => {
    const real = window[name];
    // Only what our own views ask of it: the framework and the browser's own tools go on.
    const broken = new Proxy(real, {
      construct(target, given) {
        const made = new (target as unknown as new (...args: unknown[]) => MutationObserver)(...given);
        const observe = made.observe.bind(made) as (...args: unknown[]) => void;
        made.observe = (...args: unknown[]) => {
          const ours = name === 'ResizeObserver' || JSON.stringify(args[1] ?? '').includes('data-theme');
          if (ours && !('whole' in window)) throw new Error('Broken on purpose.');
          observe(...args);
        };
        return made;
      },
    });
    Object.assign(window, { [name]: broken });
  }, part);

test('a view that cannot be drawn leaves the job and its other views', async ({ page }) => {
  await breaks(page, 'ResizeObserver');
  await page.goto('/jobs/quillback/stack');
  await expect(page.getByRole('alert').filter({ hasText: 'This view cannot be drawn' })).toBeVisible();
  await expect(page.getByText('Broken on purpose.')).toBeVisible();
  await page.getByRole('link', { name: /^Hand over/ }).click();
  await expect(page.getByRole('link', { name: 'One more' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'This view cannot be drawn' })).toBeVisible();
  await page.evaluate(() => Object.assign(window, { whole: true }));
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'This view cannot be drawn' })).toHaveCount(0);
});

for (const [path, title, out, href] of [
  ['/', 'This page could not be opened', 'List of jobs', '/'],
  ['/jobs/quillback/runs', 'This job could not be opened', 'List of jobs', '/'],
  ['/jobs/quillback/rack', 'The on-site view could not be opened', 'Jobs on this device', '/rack'],
] as const)
  test(`${path}: what fails outside a view is said, with the way out, and tried again`, async ({ page }) => {
    await breaks(page, 'MutationObserver');
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
    await expect(page.getByText('Nothing')).toBeVisible();
    await expect(page.getByRole('link', { name: out })).toHaveAttribute('href', href);
    await page.evaluate(() => Object.assign(window, { whole: true }));
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('heading', { name: title })).toHaveCount(0);
    await expect(page.getByRole('button', { name: /light|Daylight/i }).first()).toBeVisible();
  });
