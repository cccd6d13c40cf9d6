import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { go, openJobFile, saved, smallJob } from './job';

test('many runs are filtered, grouped, chosen and changed at once', async ({ page }) => {
  await go(page, '/jobs/quillback/runs');
  await page.getByLabel('Group by').selectOption('room');
  await expect(page.getByRole('row', { name: /Ground, Consulting 1 2/ })).toBeVisible();
  await page.getByLabel('Group by').selectOption('none');
  await page.getByLabel('Show only runs with').fill('office ground');
  await expect(page.getByText('0 of 40 runs')).toBeVisible();
  await page.getByLabel('Show only runs with').fill('kennels');
  await expect(page.getByText('3 of 40 runs')).toBeVisible();
  await page.getByLabel('Choose every run shown').check();
  await page.getByLabel('Field to set').selectOption('bundle');
  await page.getByLabel('What to set it to').fill('Kennel bundle');
  await page.getByRole('button', { name: 'Set for 3 runs' }).click();
  await page.getByLabel('Columns').selectOption('cable');
  await expect(page.getByLabel('Bundle of 20')).toHaveValue('Kennel bundle');
  await page.getByLabel('Show only runs with').fill('');
  await page.getByLabel('Group by').selectOption('bundle');
  await expect(page.getByRole('row', { name: 'Kennel bundle 3' })).toBeVisible();
  await page.getByRole('button', { name: 'Cable', exact: true }).click();
  await page.getByLabel('What to set it to').fill('a while');
  await page.getByLabel('Field to set').selectOption('tail_m');
  await page.getByRole('button', { name: 'Set for 3 runs' }).click();
  await expect(page.getByText(/tail_m: found “a while”, expected a length from 0/)).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('row', { name: 'Kennel bundle 3' })).toHaveCount(0);
});

test('boxes are planned, taken and pulled, and the pull sheet is taken away', async ({ page }) => {
  const file = JSON.parse(smallJob('Boxes', ['A1', 'A2', 'B1']));
  file.runs = file.runs.map((run: object, at: number) => ({
    ...run,
    cable: 'Cat 6 U/UTP',
    outlet: at < 2 ? 'desk' : 'shelf',
    lengthMm: 21_000 + at,
  }));
  const id = await openJobFile(page, JSON.stringify(file));
  await go(page, `/jobs/${id}/runs/buying`);
  await page.getByRole('button', { name: '+ Box at hand' }).click();
  await page.getByLabel('In it (m)').fill('25');
  await page.getByLabel('In it (m)').press('Enter');
  await page.getByLabel('End mark (m)').fill('130');
  await page.getByLabel('End mark (m)').press('Enter');
  await page.getByRole('button', { name: 'Plan the boxes for 3 runs' }).click();
  const proposed = page.getByRole('region', { name: 'Proposed boxes' });
  await expect(proposed).toContainText('proven: no plan has fewer boxes or less scrap');
  await expect(proposed).toContainText('1 × 305 m');
  await proposed.getByRole('button', { name: 'Take this plan' }).click();
  const sheet = page.getByRole('region', { name: 'Pull sheet' });
  await expect(sheet.getByRole('row')).toHaveCount(4);
  await sheet.getByRole('button', { name: 'Pull 1 is pulled' }).click();
  await expect(sheet.getByRole('button', { name: 'Pull 1 is not pulled after all' })).toBeVisible();
  await saved(page);
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Pull sheet, CSV' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  expect(text.split('\n')[0]).toContain('pull,label,floor,room,outlet,cable,box,cut_m');
  expect(text.trim().split('\n')).toHaveLength(4);
});

test('a pathway says when it is too full, and the mend takes the next size', async ({ page }) => {
  await go(page, '/jobs/quillback/runs/pathways');
  await page.getByRole('button', { name: '+ Pathway' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Desk conduit');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await page.getByLabel('Published size').selectOption('16 mm pliable');
  await page.getByLabel('Narrow the list of runs').fill('consulting');
  await page.getByRole('button', { name: 'Tick all 4 shown' }).click();
  const docket = page.getByRole('complementary', { name: 'Docket' });
  await expect(docket).toContainText(
    /Desk conduit( is filled to \d+ % by 4 cables; 40 % is the most|: 4 cables make a bundle)/,
  );
  await docket.getByRole('button', { name: 'Plan 32 mm pliable' }).click();
  await expect(page.getByLabel('Published size')).toHaveValue('32 mm pliable');
  await expect(docket).not.toContainText('Desk conduit');
  await expect(page.getByRole('img', { name: '4 cables in Desk conduit, cut across' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove the pathway' }).click();
  await saved(page);
});

test('labels are renamed by a scheme and printed, and a code leads to the trace', async ({ page }) => {
  const file = JSON.parse(smallJob('Labels', ['A1', 'A2']));
  const id = await openJobFile(page, JSON.stringify(file));
  await go(page, `/jobs/${id}/runs/labels`);
  await page.getByLabel('Labels are made as').selectOption('place');
  await expect(page.getByRole('row', { name: /A1 X-HAL-1A/ })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Rename A2' }).uncheck();
  await page.getByRole('button', { name: 'Rename 1 run' }).click();
  await saved(page);
  await page.getByLabel('A code to scan, which opens the trace').check();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'PDF' }).click();
  const pdf = readFileSync(await (await download).path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  await expect(page.getByRole('img', { name: /sheets of labels/ })).toBeVisible();
  await go(page, `/jobs/${id}/runs?trace=X-HAL-1A`);
  await expect(page.getByTestId('trace')).toContainText('X-HAL-1A');
});

test('a kind of cable is described for the job', async ({ page }) => {
  const file = JSON.parse(smallJob('Kinds', ['A1']));
  file.runs[0].cable = 'Bell wire';
  const id = await openJobFile(page, JSON.stringify(file));
  await go(page, `/jobs/${id}/runs/kinds`);
  await page.getByRole('button', { name: 'Describe Bell wire' }).click();
  await page.getByLabel('Outside diameter (mm)').fill('900');
  await page.getByLabel('Outside diameter (mm)').press('Enter');
  await expect(page.getByText('Expected 0.5 to 60 mm.')).toBeVisible();
  await page.getByLabel('Outside diameter (mm)').fill('3.2');
  await page.getByLabel('Outside diameter (mm)').press('Enter');
  await expect(page.getByRole('row', { name: /Bell wire of this job/ })).toContainText('3.2 mm');
  await saved(page);
});

test('5,000 runs are filtered, sorted and edited without waiting', async ({ page }) => {
  const rows = Array.from({ length: 5000 }, (_, at) => ({
    id: `r${at}`,
    label: `R${String(at + 1).padStart(4, '0')}`,
    floor: `Floor ${at % 5}`,
    room: `Room ${at % 400}`,
    bundle: `bundle-${at % 5}`,
    cable: 'Cat 6',
    lengthMm: 5000 + ((at * 7919) % 80_000),
  }));
  const file = { ...JSON.parse(smallJob('Many', [])), runs: rows };
  await openJobFile(page, JSON.stringify(file));
  await expect(page.getByText('5,000 runs').first()).toBeVisible();
  await page.getByLabel('Group by').selectOption('floor');
  await expect(page.getByRole('row', { name: 'Floor 0 1000' })).toBeVisible();
  await page.getByLabel('Show only runs with').fill('bundle-3');
  await expect(page.getByText('1,000 of 5,000 runs')).toBeVisible();
  await page.getByRole('button', { name: 'm', exact: true }).click();
  await page.getByLabel('Choose every run shown').check();
  await page.getByLabel('What to set it to').fill('pulled');
  await page.getByRole('button', { name: 'Set for 1,000 runs' }).click();
  await expect(page.getByRole('button', { name: /^Undo: Change 1,000 runs/ })).toBeVisible();
  await saved(page);
});
