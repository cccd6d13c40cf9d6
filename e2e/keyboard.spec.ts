import { expect, type Page, test } from '@playwright/test';
import { demoText, openJobFile, saved, smallJob, station, tabTo } from './job';

const said = (page: Page) => page.getByTestId('announcer');
const press = async (page: Page, ...keys: string[]) => {
  for (const key of keys) await page.keyboard.press(key);
};

test('a job from start to patch with the keyboard alone', async ({ page }) => {
  await page.goto('/');
  await tabTo(page, /^New job/);
  await page.keyboard.press('Enter');
  await page.waitForURL('/new');
  await tabTo(page, /^Name/);
  await page.keyboard.type('Keyboard House');
  await tabTo(page, /^Country/);
  await page.keyboard.type('Ireland');
  await tabTo(page, /^The cabinet stands/);
  await page.keyboard.type('on the f');
  await tabTo(page, /keystone, 24/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('1');
  await tabTo(page, /Switch, 8/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await page.waitForURL(/survey/);
  await expect(page.getByRole('button', { name: '+ Floor' })).toBeVisible();
  await page.keyboard.press('2');
  await page.waitForURL(/runs/);

  // Runs: a pattern, then Enter for the next row.
  await tabTo(page, /Label of the new run/);
  await page.keyboard.type('GF-{01..03}');
  await press(page, 'Tab', 'Tab');
  await page.keyboard.type('Hall');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Room of GF-03')).toHaveValue('Hall');
  await expect(page.getByLabel('Label of the new run')).toBeFocused();
  await page.getByLabel('Device of GF-01').focus();
  await page.keyboard.type('desk');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Device of GF-02')).toBeFocused();
  await page.keyboard.type('printer');
  await press(page, 'ArrowDown');
  await page.keyboard.type('scanner');
  await press(page, 'Enter');
  await expect(page.getByLabel('Device of the new run')).toBeFocused();

  // Stack: pick up, move by a unit, put down.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('3');
  await tabTo(page, /keystone, 24 .*in the pile/);
  await press(page, 'Enter', 'ArrowDown');
  await expect(said(page)).toHaveText('Patch panel, keystone, 24 at U11: free');
  await press(page, 'Enter');
  await expect(said(page)).toHaveText('Patch panel, keystone, 24 placed at U11');
  await tabTo(page, /Switch, 8 × 1G .*in the pile/);
  await press(page, 'Enter', 'ArrowDown');
  await expect(said(page)).toHaveText('U11 is taken by Patch panel, keystone, 24.');
  await press(page, 'ArrowDown', 'Enter');
  await expect(page.getByRole('button', { name: 'Switch, 8 × 1G, U10' })).toBeVisible();
  await page.getByRole('button', { name: 'Switch, 8 × 1G, U10' }).focus();
  await press(page, 'Enter', 'ArrowDown', 'Escape');
  await expect(page.getByRole('button', { name: 'Switch, 8 × 1G, U10' })).toBeVisible();

  // Land: pick a run up, go to a port, put it down; take it off; land all.
  await page.keyboard.press('4');
  await tabTo(page, /^GF-02/);
  await press(page, 'Enter');
  await expect(page.getByRole('button', { name: /^1 spare/ })).toBeFocused();
  await press(page, 'ArrowRight', 'ArrowRight', 'Enter');
  await expect(said(page)).toHaveText('GF-02 landed on Patch panel, keystone, 24 port 3');
  await page.getByRole('button', { name: /^3 GF-02/ }).focus();
  await press(page, 'Delete');
  await expect(page.getByRole('button', { name: /^3 spare/ })).toBeVisible();
  await tabTo(page, /^Land 3 runs/);
  await press(page, 'Enter');
  await expect(page.getByRole('button', { name: /^3 GF-03/ })).toBeVisible();

  // Patch: pick a strand up, drop it, unpatch it, patch the rest.
  await page.keyboard.press('5');
  await tabTo(page, /^GF-01 .*Hall/);
  await press(page, 'Enter');
  await expect(page.getByRole('button', { name: /port 1, RJ45/ })).toBeFocused();
  await press(page, 'ArrowDown', 'ArrowDown', 'Enter');
  await expect(said(page)).toHaveText('GF-01 patched to Switch, 8 × 1G port 3');
  await page.getByRole('button', { name: /^GF-01 .*Hall/ }).focus();
  await press(page, 'Delete');
  await expect(said(page)).toHaveText('GF-01 unpatched');
  await tabTo(page, /^Patch the rest/);
  await press(page, 'Enter');
  await expect(page.getByRole('button', { name: 'Patch 3 runs' })).toBeFocused();
  await press(page, 'Enter');
  await expect(page.getByRole('button', { name: /^GF-03 .*, patched to/ })).toBeVisible();

  // Find and trace; undo by key, across a reload; the list of keys.
  await page.keyboard.press('/');
  await page.keyboard.type('printer');
  await press(page, 'Enter');
  await expect(page.getByTestId('trace')).toContainText('GF-02');
  await page.keyboard.press('/');
  await page.keyboard.type('stack holes');
  await press(page, 'Enter');
  await expect(page).toHaveURL(/\/stack\/holes$/);
  await page.goBack();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Undo: Patch 3 runs' })).toBeEnabled();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Undone: Patch 3 runs')).toBeVisible();
  await expect(page.getByRole('button', { name: /^GF-03 .*, not patched/ })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByText('Redone: Patch 3 runs')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys', exact: true })).toBeVisible();
  await press(page, 'Escape');
  await expect(page.getByRole('dialog', { name: 'Keys', exact: true })).toBeHidden();
});

test('a column pasted from a sheet fills the rows below, and adds new ones', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openJobFile(page, smallJob('Pasting', ['1', '2']));
  const paste = async (field: string, text: string) => {
    await page.getByLabel(field).focus();
    await page.evaluate((words) => navigator.clipboard.writeText(words), text);
    await page.keyboard.press('Control+v');
  };
  await paste('Room of 1', 'Kitchen\nAttic\n');
  await expect(page.getByLabel('Room of 2')).toHaveValue('Attic');
  await paste('Label of the new run', '3\n4\n5\n');
  await expect(page.getByLabel('Label of 5', { exact: true })).toHaveValue('5');
  await paste('Length in metres of 1', '12\n-4\n');
  await expect(page.getByText('Line 2, length_m: found “-4”')).toBeVisible();
  await expect(page.getByLabel('Length in metres of 1')).toHaveValue('12');
});

test('cells pasted into the import sheet become runs', async ({ page }) => {
  await openJobFile(page, smallJob('Sheet', []));
  await station(page, 'Runs');
  await page.getByRole('button', { name: 'Import runs' }).click();
  await page
    .getByLabel(/Or paste cells/)
    .fill(demoText('quillback-runs.csv').split('\n').slice(0, 4).join('\n').replaceAll(',', '\t'));
  await page.getByRole('button', { name: 'Show what it becomes' }).click();
  await page.getByLabel('Column notes holds').selectOption('');
  await page.getByRole('button', { name: 'Import: add 3' }).click();
  await expect(page.getByLabel('Outlet of 02')).toHaveValue('desk left');
});
