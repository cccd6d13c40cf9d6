import type { Page } from '@playwright/test';
import { framesDuring } from './frames';

/** Frames while the loom is scrolled by the wheel from end to end, and while the pointer runs over its strands. */
export async function loomFrames(page: Page): Promise<{ scroll: number[]; point: number[] }> {
  const loom = page.getByTestId('loom');
  const box = await loom.boundingBox();
  if (!box) throw new Error('no loom');
  await page.mouse.move(box.x + box.width * 0.6, box.y + 200);
  const scroll = await framesDuring(page, async () => {
    for (let step = 0; step < 160; step++) await page.mouse.wheel(0, step < 80 ? 60 : -60);
  });
  const point = await framesDuring(page, async () => {
    for (let step = 0; step < 160; step++)
      await page.mouse.move(box.x + box.width * 0.2 + (step % 9) * 20, box.y + 40 + ((step * 7) % 480));
  });
  return { scroll, point };
}
