import type { Page } from '@playwright/test';
import { framesDuring } from './frames';

/** What is done with the loom, and the frames it took. */
export type LoomFrames = Record<'opened' | 'scroll' | 'point' | 'carry', number[]>;

/**
 * Frames while the loom is scrolled by the wheel from end to end, as soon as it is there and once more when all its rows
 * are; while the pointer runs over its strands; and while one is carried.
 */
export async function loomFrames(page: Page): Promise<LoomFrames> {
  const loom = page.getByTestId('loom');
  const box = await loom.boundingBox();
  const row = await page.locator('[data-strand="12"]').boundingBox();
  if (!box || !row) throw new Error('no loom');
  const { mouse } = page;
  const scrolled = async () => {
    await mouse.move(box.x + box.width * 0.6, box.y + 200);
    return framesDuring(page, async () => {
      for (let step = 0; step < 160; step++) await mouse.wheel(0, step < 80 ? 60 : -60);
    });
  };
  const opened = await scrolled();
  await page.waitForTimeout(1500);
  const scroll = await scrolled();
  const point = await framesDuring(page, async () => {
    for (let step = 0; step < 160; step++)
      await mouse.move(box.x + box.width * 0.2 + (step % 9) * 20, box.y + 40 + ((step * 7) % 480));
  });
  await mouse.move(row.x + 20, row.y + 6);
  const carry = await framesDuring(page, async () => {
    await mouse.down();
    for (let step = 1; step < 80; step++) await mouse.move(row.x + 20 + step * 6, row.y + 6 + step * 2);
    await page.keyboard.press('Escape');
    await mouse.up();
  });
  return { opened, scroll, point, carry };
}
