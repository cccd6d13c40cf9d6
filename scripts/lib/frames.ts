import type { Page } from '@playwright/test';

/** Time of each frame while something is done on a page, milliseconds; the first ones are left out. */
export async function framesDuring(page: Page, work: () => Promise<void>): Promise<number[]> {
  await page.evaluate(`
    window.frames_ = [];
    window.counting_ = true;
    (function count(last) {
      requestAnimationFrame((now) => { window.frames_.push(now - last); if (window.counting_) count(now); });
    })(performance.now());
  `);
  await work();
  const frames = (await page.evaluate('window.counting_ = false, window.frames_')) as number[];
  return frames.slice(3);
}
