import { expect, test } from '@playwright/test';
import { go, openJobFile, saved } from './job';
import { openOffice } from './office';

test('plugs are planned, used in one step, moved by keys and pulled by mouse', async ({ page }) => {
  await openOffice(page, 'power/circuits');
  await page.getByLabel('Mains voltage').selectOption('230');
  await go(page, page.url().replace('/circuits', ''));
  await page.getByRole('button', { name: 'Plug the rest' }).click();
  await page.getByRole('button', { name: 'Use this plan' }).click();
  await saved(page);
  await expect(page.getByRole('heading', { name: 'Every inlet has its outlet' })).toBeVisible();
  const strip = page.getByRole('region', { name: 'Distribution unit', exact: true });
  await expect(strip.getByRole('listitem')).toHaveCount(3);

  // By keys: pick the plug up where it is, go to another outlet, put it in.
  const first = strip.getByRole('button', { name: /outlet \d+, .*Gateway$/ });
  await first.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'In the hand: Gateway' })).toBeVisible();
  const last = strip.getByRole('button', { name: /^Distribution unit outlet 8,/ });
  await last.focus();
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(strip.getByRole('button', { name: /^Distribution unit outlet 8,.*Gateway$/ })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('heading', { name: '1 inlet without an outlet' })).toBeVisible();

  // By mouse: what hangs free goes into an outlet.
  await page.getByRole('button', { name: 'Gateway', exact: true }).click();
  await strip.getByRole('button', { name: /^Distribution unit outlet 7,/ }).click();
  await saved(page);
  await strip.getByRole('button', { name: 'Pull Gateway' }).click();
  await expect(page.getByRole('heading', { name: '1 inlet without an outlet' })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('heading', { name: 'Every inlet has its outlet' })).toBeVisible();
});

test('a circuit is described, what it carries is judged, and what is not a number is said', async ({ page }) => {
  await openOffice(page, 'power/circuits');
  const card = page.getByRole('region', { name: 'Office sockets 2' });
  await expect(card).toContainText('not judged');
  await page.getByLabel('Mains voltage').selectOption('230');
  const breaker = card.getByLabel('Breaker (A)');
  await breaker.fill('much');
  await breaker.press('Enter');
  await expect(card).toContainText('Expected a number, or nothing where it is not known.');
  await breaker.fill('4');
  await breaker.press('Enter');
  await expect(card).toContainText('too little');
  await expect(page.getByText(/limit for a continuous load is 4 A/).first()).toBeVisible();
  await saved(page);
});

test('parts are tripped by keys alone, and on a phone', async ({ page }) => {
  const { powered } = await import('../tests/support/powered');
  const { writeJobFile } = await import('../src/core/exchange/formats/jobFile');
  const id = await openJobFile(page, writeJobFile({ ...powered(), id: `trip-${Date.now()}` }));
  await go(page, `/jobs/${id}/power/trip`);
  await page.getByLabel('Find a part').focus();
  await page.keyboard.type('mains');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  const dark = page.getByRole('region', { name: 'What goes dark' });
  await expect(dark).toContainText('Internet');
  await expect(dark.getByRole('region', { name: 'Time line' })).toContainText('UPS 1500 VA');
  await page.setViewportSize({ width: 390, height: 800 });
  await page.getByLabel('Find a part').fill('Switch A');
  await page.getByRole('button', { name: 'Switch A', exact: true }).click();
  await expect(dark).toContainText('Cameras');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('a battery, its room and who hears it are entered, and each figure follows', async ({ page }) => {
  const { powered } = await import('../tests/support/powered');
  const { writeJobFile } = await import('../src/core/exchange/formats/jobFile');
  const id = await openJobFile(page, writeJobFile({ ...powered(), id: `room-${Date.now()}` }));
  await go(page, `/jobs/${id}/power/batteries`);
  await page.getByRole('button', { name: 'Change its battery' }).click();
  await page.getByLabel('Rows').fill('lots');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('expected watts and minutes, such as 200 W 20 min')).toBeVisible();
  await page.getByLabel('Rows').fill('100 W 30 min; 1000 W 2 min');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('region', { name: 'UPS 1500 VA' })).toContainText('drop, in this order');

  await go(page, `/jobs/${id}/power/heat`);
  const summer = page.getByLabel('Room, warmest days (°C)');
  await summer.fill('35');
  await summer.press('Enter');
  await expect(page.getByRole('region', { name: 'Wall cabinet', exact: true })).toContainText('too warm');
  await expect(page.getByRole('region', { name: 'What would cool Wall cabinet' })).toContainText('fan');

  await go(page, `/jobs/${id}/power/noise`);
  const ward = page.getByRole('region', { name: 'Night ward' });
  await ward.getByLabel('Between (dB)').fill('30');
  await ward.getByLabel('Between (dB)').press('Enter');
  await expect(ward).toContainText('enough');

  await go(page, `/jobs/${id}/power/recordings`);
  const recorder = page.getByRole('region', { name: 'Recorder', exact: true });
  await recorder.getByLabel('Days wanted').fill('90');
  await recorder.getByLabel('Days wanted').press('Enter');
  await expect(recorder).toContainText('too little');
  await saved(page);
});
