import { expect, test } from '@playwright/test';
import { sendBatch } from './api';
import { openJobFile, saved, smallJob, station } from './job';

test('what was done is listed with who did it, and filtered', async ({ page, request }) => {
  const id = await openJobFile(page, smallJob('Listed', ['1', '2']));
  await page.getByRole('button', { name: 'Listed' }).click();
  await page.getByLabel('Your name').fill('Ada');
  await page.getByRole('button', { name: 'Change the job' }).click();
  await page.getByLabel('Notes of 1').fill('mind the pipe');
  await page.getByLabel('Notes of 1').press('Enter');
  await saved(page);
  await sendBatch(request, id, [{ type: 'editRack', rackId: 'rack', changes: { depthMm: 350 } }], {
    actor: { id: 'sam', name: 'Sam' },
  });
  await page.getByRole('button', { name: 'Changes and versions' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('listitem')).toHaveCount(2);
  await expect(sheet).toContainText('Change Rack');
  await sheet.getByRole('button', { name: '1 change' }).first().click();
  await expect(sheet).toContainText('rack Rack: depth 300 mm → 350 mm');
  await sheet.getByLabel('By').selectOption('me (Ada)');
  await expect(sheet).not.toContainText('Change Rack');
  await expect(sheet).toContainText('Change run 1');
  await sheet.getByLabel('By').selectOption('everybody');
  await sheet.getByLabel('At').selectOption('Stack');
  await expect(sheet).toContainText('Change Rack');
  await expect(sheet).not.toContainText('Change run 1');
});

test('a version is named, opened to look at in every station, and compared', async ({ page }) => {
  await openJobFile(page, smallJob('Versions', ['1', '2']));
  await page.getByRole('button', { name: 'Changes and versions' }).click();
  await page.getByRole('tab', { name: 'Versions' }).click();
  await page.getByLabel('Name for how it is now').fill('As tendered');
  await page.getByRole('dialog').getByLabel('Note').fill('before the visit');
  await page.getByRole('button', { name: 'Keep this version' }).click();
  await expect(page.getByRole('dialog')).toContainText('before the visit');
  await page.keyboard.press('Escape');

  await station(page, 'Land');
  await page.getByRole('button', { name: 'Land 2 runs in label order' }).click();
  await saved(page);
  await page.getByRole('button', { name: 'Changes and versions' }).click();
  await page.getByRole('tab', { name: 'Versions' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('From').selectOption({ label: 'As tendered (step 0)' });
  await sheet.getByRole('button', { name: 'Compare them' }).click();
  await expect(sheet.getByRole('region', { name: 'In words' })).toContainText('landing 1, Panel 1 added');
  await expect(sheet.getByRole('region', { name: 'In the loom' })).toContainText('2 strands');

  await sheet.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByText('The job as it was after step 0.')).toBeVisible();
  await station(page, 'Land');
  await expect(page).toHaveURL(/\/at\/0\/land$/);
  await expect(page.getByRole('button', { name: 'Land 2 runs in label order' })).toBeVisible();
  await page.getByRole('button', { name: 'Land 2 runs in label order' }).click();
  await expect(page.getByText('This is an earlier version: it can be looked at, not changed.')).toBeVisible();
  await page.getByRole('link', { name: 'Back to today' }).click();
  await expect(page.getByText('0 wait').or(page.getByTestId('link'))).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo: Land 2 runs' })).toBeEnabled();
});
