import { expect, test } from '@playwright/test';
import { go, openJobFile, saved, smallJob, startJob, station } from './job';
import { resting } from './pointer';

test('from an empty site to runs with lengths', async ({ page }) => {
  await startJob(page, 'Fernhollow', []);
  await station(page, 'Survey');
  await page.getByRole('button', { name: '+ Floor' }).click();
  await page.getByRole('button', { name: '+ Room' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Pantry');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  const width = page.getByLabel('Width (m)');
  await width.fill('a lot');
  await width.press('Enter');
  await expect(page.getByText('Expected a length, such as 4.2.')).toBeVisible();
  await width.fill('5');
  await width.press('Enter');
  const room = page.getByRole('button', { name: 'Room Pantry', exact: true });
  await expect(room).toBeVisible();

  // By mouse and by keys: the same room, the same measures.
  const box = await resting(page, room);
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2 + 30, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByLabel('From left (m)')).not.toHaveValue('0');
  const dragged = Number(await page.getByLabel('From left (m)').inputValue());
  await room.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByLabel('From left (m)')).toHaveValue(String(Math.round((dragged + 1) * 10) / 10));

  await page.getByLabel('Add a place').selectOption('cabinet');
  await expect(page.getByRole('button', { name: 'Cabinet Cabinet' })).toBeVisible();

  // A wish, its runs, and their length over the plan.
  await page.getByRole('link', { name: 'Wishes' }).click();
  await page.getByLabel('desk in Pantry, now').fill('2');
  await page.getByLabel('desk in Pantry, now').press('Enter');
  await expect(page.getByRole('region', { name: 'Runs asked for' })).toContainText('2 runs an outlet.');
  await page.getByLabel('camera in Pantry, now').fill('x');
  await page.getByLabel('camera in Pantry, now').press('Enter');
  await expect(page.getByText('camera in Pantry: found “x”, expected a whole number from 0 to 99.')).toBeVisible();
  await page.getByRole('button', { name: 'Add 4 runs' }).click();
  await expect(page.getByText('Every run that the wishes ask for is in the schedule.')).toBeVisible();
  await page.getByLabel('desk in Pantry, now').fill('3');
  await page.getByLabel('desk in Pantry, now').press('Enter');
  await expect(page.getByRole('button', { name: 'Add 2 runs' })).toBeVisible();
  await saved(page);
  await station(page, 'Runs');
  await page.getByLabel('Label of 01').focus();
  await expect(page.getByLabel('Figures of 01')).toContainText('Length by the plan');
  await expect(page.getByLabel('Length in metres of 01')).toHaveAttribute('placeholder', /≈ \d/);
});

test('answers and choices are kept, bad ones are named, and all of it is undone', async ({ page }) => {
  const id = await openJobFile(page, smallJob('Questions', ['A1', 'A2']));
  await go(page, `/jobs/${id}/survey/questions`);
  await page.getByLabel(/Growth in a year/).fill('150');
  await page.getByLabel(/Growth in a year/).press('Enter');
  await expect(page.getByText(/Growth in a year: found “150”, expected 0 to 100/)).toBeVisible();
  await page.getByLabel(/Growth in a year/).fill('20');
  await page.getByLabel(/Growth in a year/).press('Enter');
  await expect(page.getByLabel(/✓ Growth in a year/)).toHaveValue('20');
  await page.getByRole('link', { name: 'Capacity' }).click();
  const row = page.getByRole('row', { name: /Panel ports/ });
  await expect(row).toContainText('12');
  await page.getByRole('textbox', { name: 'Growth in a year' }).fill('50');
  await page.getByRole('textbox', { name: 'Growth in a year' }).press('Enter');
  await expect(row).toContainText('too little');
  await expect(page.getByRole('img', { name: /Share of each capacity/ }).locator('svg')).toContainText('Panel ports');
  await page.getByRole('link', { name: 'Advice' }).click();
  await page.getByRole('button', { name: 'Choose: Cat 6A' }).click();
  await page.getByLabel('Why, for the record').fill('the owner wants 10 Gb/s one day');
  await page.getByLabel('Why, for the record').press('Enter');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Chosen: Cat 6A' })).toBeVisible();
  await expect(page.getByLabel('Why, for the record')).toHaveValue('the owner wants 10 Gb/s one day');
  await page.getByRole('link', { name: 'Scope and cautions' }).click();
  await page.getByLabel('A new open point').fill('ask for the key');
  await page.keyboard.press('Enter');
  await page.getByRole('checkbox', { name: 'ask for the key' }).check();
  await expect(page.getByText(/licensed electrician/)).toBeVisible();
  await saved(page);
  for (let step = 0; step < 4; step++) {
    await page.getByRole('button', { name: /^Undo/ }).click();
    await saved(page);
  }
  await expect(page.getByText('ask for the key')).toHaveCount(0);
  await page.getByRole('link', { name: 'Advice' }).click();
  await expect(page.getByRole('button', { name: 'Choose: Cat 6A' })).toBeVisible();
});
