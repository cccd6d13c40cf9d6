import { expect, type Page } from '@playwright/test';

/** Turn to another view of the job that is open, as its own links do: the page stays. */
export async function turnTo(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => window.history.pushState(null, '', to), path);
  await expect(page.locator(`nav a[aria-current="page"][href="${path}"]`).first()).toBeAttached();
  await expect(page.getByText('Opening …', { exact: true })).toHaveCount(0);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}
