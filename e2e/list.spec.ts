import { expect, test } from '@playwright/test';
import { openJobFile, saved, smallJob, station } from './job';

test('a job removed from the list can be put back', async ({ page }) => {
  await openJobFile(page, smallJob('To be removed', ['1']));
  await page.getByRole('link', { name: 'Good Shelf' }).click();
  await page.getByRole('button', { name: 'Remove To be removed' }).click();
  await expect(page.getByRole('link', { name: 'To be removed' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'To be removed' })).toBeVisible();
});

test('a job is found by the label of a run, and that is said', async ({ page }) => {
  await openJobFile(page, smallJob('To be found', ['1', 'ZQ-77']));
  await page.getByRole('link', { name: 'Good Shelf' }).click();
  await page.getByLabel('Search all jobs').fill('zq-7');
  await page.getByRole('button', { name: 'Search' }).click();
  await expect(page.getByText('1 job with “zq-7”')).toBeVisible();
  await expect(page.getByRole('main').getByRole('listitem')).toHaveText(/To be found.*Run ZQ-77/);
  await page.getByLabel('Search all jobs').fill('zq-79');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^No job has “zq-79” in its name/)).toBeVisible();
  await page.getByRole('link', { name: 'Show all', exact: true }).click();
  await expect(page.getByRole('link', { name: 'To be found' })).toBeVisible();
});

test('a list dropped on Runs opens the import, and what is here already is updated by label', async ({ page }) => {
  await openJobFile(page, smallJob('Dropping', ['1', '2']));
  const data = await page.evaluateHandle(() => {
    const transfer = new DataTransfer();
    transfer.items.add(new File(['label,room\n2,Cellar\n3,Attic\n'], 'more.csv', { type: 'text/csv' }));
    return transfer;
  });
  const runs = page.getByRole('table', { name: 'Run schedule' });
  await runs.dispatchEvent('dragover', { dataTransfer: data });
  await expect(page.getByText('Drop the list of runs here')).toBeVisible();
  await runs.dispatchEvent('drop', { dataTransfer: data });
  await expect(page.getByTestId('counts')).toHaveText('1 new, 1 changed, 0 as they are, 0 not taken.');
  await expect(page.getByText('was Hall')).toBeVisible();
  await page.getByRole('button', { name: 'Import: add 1, change 1' }).click();
  await expect(page.getByLabel('Room of 2')).toHaveValue('Cellar');
  await saved(page);
});

test('a rack numbered from the top and made shallower shows it, in inches where the job says so', async ({ page }) => {
  await page.goto('/new');
  await page.getByLabel('Name').fill('Inches');
  await page.getByLabel('Country').selectOption('US');
  await page.getByLabel('The cabinet stands').selectOption('table');
  await page.getByLabel('Units', { exact: true }).selectOption('imperial');
  await expect(page.getByLabel('Usable depth')).toHaveValue('17.72');
  await page.getByLabel('Units are numbered').selectOption('from-top');
  await page.getByLabel(/Switch, 8/).fill('1');
  await page.getByLabel('Rack height').fill('99');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByText('expected at most 60')).toBeVisible();
  await page.getByLabel('Rack height').fill('6');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await page.waitForURL(/survey/);
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Stack' }).click();
  await page.getByRole('button', { name: 'Place 1 device' }).click();
  await expect(page.getByRole('button', { name: /\bSwitch, 8 × 1G, U1$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Cabinet: 6U' }).click();
  await page.getByRole('dialog').getByLabel('Usable depth').fill('5');
  await page.getByRole('button', { name: 'Change the rack' }).click();
  const docket = page.getByRole('complementary', { name: 'Docket' });
  await expect(docket).toContainText('Switch, 8 × 1G is 6.3 in deep: 1.3 in more than Cabinet has.');
  await docket.getByRole('button', { name: 'Take it out of the rack' }).click();
  await expect(docket).toContainText('No snags here.');
});

test('a job and a device get other names, and units change how lengths are shown', async ({ page }) => {
  await openJobFile(page, smallJob('Plain name', ['1']));
  await page.getByLabel('Length in metres of 1').fill('30');
  await page.getByLabel('Length in metres of 1').press('Enter');
  await page.getByRole('button', { name: 'Plain name' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Better name');
  await page.getByLabel('Units', { exact: true }).selectOption('imperial');
  await page.getByRole('button', { name: 'Change the job' }).click();
  await expect(page.getByRole('heading', { name: 'Better name' })).toBeVisible();
  await expect(page.getByLabel('Length in feet of 1')).toHaveValue('98.43');
  await station(page, 'Stack');
  await page.getByRole('button', { name: /\bSwitch, U8/ }).focus();
  await page.getByRole('button', { name: 'Change Switch' }).click();
  await page.getByLabel(/^Height/).fill('2');
  await page.getByLabel('Name', { exact: true }).fill('Switch A');
  await page.getByRole('button', { name: 'Change Switch' }).click();
  await expect(page.getByText('U8–U9 is taken by Panel.')).toBeVisible();
  await page.getByLabel(/^Height/).fill('1');
  await page.getByRole('button', { name: 'Change Switch' }).click();
  await expect(page.getByRole('button', { name: 'Switch A, U8' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByRole('button', { name: /^Switch A .*in the pile/ })).toBeVisible();
});
