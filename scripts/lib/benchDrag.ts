import type { Page } from '@playwright/test';
import { applyCommands } from '../../src/core/job/commands/apply';
import { emptyJob, type Job } from '../../src/core/job/document/job';
import { gearLibrary } from '../../src/core/job/gear/library';
import { Gear } from '../../src/core/job/records/gear';
import { Rack } from '../../src/core/job/records/rack';
import { planPlacement } from '../../src/core/trade/rack/arrange/planPlacement';
import { framesDuring } from './frames';

/** Three cabinets of 42 units with so many devices from the library. */
export function threeCabinets(devices: number): Job {
  const racks = [1, 2, 3].map((at) => Rack.parse({ id: `rack-${at}`, name: `Cabinet ${at}`, units: 42, depthMm: 800 }));
  const usable = gearLibrary().filter(
    (entry) => entry.frame === '19-inch' && entry.heightU <= 2 && entry.kind !== 'blank',
  );
  const gear = Array.from({ length: devices }, (_, at) => {
    const entry = usable[(at * 7) % usable.length] as (typeof usable)[number];
    return Gear.parse({ ...entry, id: `gear-${at}`, name: `${entry.name} #${at}` });
  });
  const bare = applyCommands(emptyJob({ id: 'drag', name: 'Drag', units: 'metric' }), [
    ...racks.map((rack) => ({ type: 'addRack' as const, rack })),
    { type: 'addGear', gear },
  ]).job;
  return applyCommands(bare, planPlacement(bare).commands).job;
}

/** Time of each frame while a device is carried over the cabinets, milliseconds. */
export async function dragFrames(page: Page): Promise<number[]> {
  const device = page.locator('[data-device]').first();
  const box = await device.boundingBox();
  const frame = await page.getByTestId('rack-front').nth(1).boundingBox();
  if (!box || !frame) throw new Error('nothing to drag');
  await page.mouse.move(box.x + 40, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(box.x + 50, box.y + 20, { steps: 3 });
  const frames = await framesDuring(page, async () => {
    for (let step = 0; step < 120; step++) await page.mouse.move(frame.x + 30 + (step % 40), frame.y + 20 + step * 4);
  });
  await page.mouse.up();
  return frames;
}
