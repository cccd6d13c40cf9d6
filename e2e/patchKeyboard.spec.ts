import { expect, test } from '@playwright/test';
import { go, saved, tabTo } from './job';
import { openOffice } from './office';

test('a plan, its cords and a card with the keyboard alone', async ({ page }) => {
  const id = await openOffice(page, 'patch/plan');
  const { keyboard } = page;
  await tabTo(page, /^Plan the map$/);
  await keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Move few cords' })).toBeVisible();
  await tabTo(page, /^Use this plan/);
  await keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Move few cords' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();

  await go(page, `/jobs/${id}/patch/cords`);
  await tabTo(page, /^Length of the cord of T01 as it lies/);
  await keyboard.press('Control+A');
  await keyboard.type('0.2');
  await keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Cords', exact: true }).getByText('too tight')).toBeVisible();
  // The docket judges when there is time for it.
  await expect(page.getByRole('button', { name: /^Take one of [\d.]+ m$/ })).toBeVisible();
  await tabTo(page, /^Take one of [\d.]+ m$/);
  await keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Cords', exact: true }).getByText('too tight')).toHaveCount(0);

  await go(page, `/jobs/${id}/land/cards`);
  await tabTo(page, /^T03, 0 of 2 ends done$/);
  await keyboard.press('Enter');
  const card = page.getByRole('region', { name: 'Termination card of T03' });
  await expect(card).toBeVisible();
  await tabTo(page, /^No conductor nicked$/);
  await keyboard.press('Space');
  await tabTo(page, /^Who$/);
  await keyboard.type('Nia');
  await keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'T03, 1 of 2 ends done' })).toBeVisible();
  await saved(page);
});
