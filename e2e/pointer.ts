import type { Locator, Page } from '@playwright/test';

export type Point = { x: number; y: number };
type Box = Point & { width: number; height: number };

const LOOKS = 200;

/** Where something is drawn, once it has come to rest: what was just dropped moves and scales what is around it. */
export async function resting(page: Page, it: Locator): Promise<Box> {
  let before = '';
  for (let look = 0; look < LOOKS; look++) {
    const box = await it.boundingBox();
    const now = JSON.stringify(box);
    if (box && now === before) return box;
    before = now;
    await page.waitForTimeout(50);
  }
  throw new Error(`${it} does not come to rest`);
}

/** Middle of a button, to take it by. */
export async function middle(page: Page, name: string | RegExp): Promise<Point> {
  const box = await resting(page, page.getByRole('button', { name }).first());
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** Take what lies at one point to another, and keep it in the hand. */
export async function drag(page: Page, from: Point, to: Point): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y + 8, { steps: 2 });
  await page.mouse.move(to.x, to.y, { steps: 6 });
}
