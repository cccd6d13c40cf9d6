import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { anotherBrowser, go, hold, openJobFile, saved, smallJob } from './job';
import { openOffice } from './office';

test('a map that grew by itself gets better with few cords moved, in one step, and back in one', async ({ page }) => {
  await openOffice(page, 'patch/plan');
  await page.getByRole('button', { name: 'Plan the map' }).click();
  const few = page.getByRole('region', { name: 'Move few cords' });
  await expect(few).toBeVisible();
  await expect(page.getByRole('region', { name: 'Leave every cord' })).toContainText('43');
  await expect(few).toContainText('48');
  await expect(few).toContainText('proven best');
  await few.getByRole('button', { name: 'Why?' }).click();
  const reasons = page.getByRole('region', { name: 'Reasons' });
  await expect(reasons.getByText(/To let it in: unpatching T\d+ .*; or another switch/).first()).toBeVisible();
  await few.getByRole('button', { name: 'Use this plan' }).click();
  await saved(page);
  await expect(page.getByRole('link', { name: /Patch/ }).filter({ hasText: '50/54' })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('link', { name: /Patch/ }).filter({ hasText: '45/54' })).toBeVisible();
});

test('cords are listed with their lengths; a taut one is a snag, and its mend takes one that reaches', async ({
  page,
}) => {
  await openOffice(page, 'patch/cords');
  await expect(page.getByRole('region', { name: 'Bought or made' })).toContainText('Bought: 51 cords');
  const length = page.getByLabel('Length of the cord of T01 as it lies');
  await length.fill('0.2');
  await length.press('Enter');
  await expect(page.getByRole('region', { name: 'Cords', exact: true }).getByText('too tight')).toBeVisible();
  await page.getByRole('button', { name: 'Take one of 0.5 m' }).first().click();
  await expect(page.getByRole('region', { name: 'Cords', exact: true }).getByText('too tight')).toHaveCount(0);
  await length.fill('long');
  await length.press('Enter');
  await expect(page.getByText('Expected a length of 0.05 m or more, such as 4.2.')).toBeVisible();
  const lengths = page.getByLabel('Lengths they come in');
  await lengths.fill('1 ft, 2 ft, 3 ft, 7 ft');
  await lengths.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: /^Take shorter cords/ }).click();
  await expect(page.getByRole('region', { name: 'Pick list' })).toContainText('0.61 m');
});

test('uplinks and networks by the keyboard alone', async ({ page }) => {
  const id = await openOffice(page, 'patch/uplinks');
  await page.getByLabel('From', { exact: true }).focus();
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Link them' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Uplinks' }).getByRole('row')).toHaveCount(4);
  const way = page.getByLabel('Length of New switch 27 to Gateway 7 (m)');
  await way.focus();
  await way.fill('40');
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 × 10GBASE-SR module').first()).toBeVisible();
  // Two links between the same two devices are a ring; the gateway speaks no redundancy protocol.
  await expect(page.getByText(/speaks no redundancy protocol/).first()).toBeVisible();
  // Bundled they are one link, which carries what both do.
  for (const name of ['New switch 25 to Gateway 6', 'New switch 27 to Gateway 7']) {
    await page.getByLabel(`Bundle ${name}`).focus();
    await page.keyboard.press('Space');
  }
  await expect(page.getByText(/speaks no redundancy protocol/)).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'What goes through them' })).toContainText('port 25 + 27');
  await saved(page);

  await go(page, `/jobs/${id}/patch/networks`);
  const number = page.getByLabel('Number of Voice');
  await number.focus();
  await number.fill('5000');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Expected 1 to 4094.')).toBeVisible();
  await number.fill('25');
  await page.keyboard.press('Enter');
  await expect(page.getByText('access 25').first()).toBeVisible();
  await page.getByLabel('Old switch may carry Office').focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/which Old switch may not carry/).first()).toBeVisible();
  await saved(page);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'All, CSV' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('access 25');
});

test('the faces show the cords, and the loom gathers and narrows its strands', async ({ page }) => {
  const id = await openOffice(page, 'patch/faces');
  await expect(page.getByRole('img', { name: 'Office cabinet from the front with 43 cords' })).toBeVisible();
  await go(page, `/jobs/${id}/patch`);
  const strands = page.locator('[data-strand]');
  await page.getByLabel('Show', { exact: true }).selectOption('critical');
  await expect(strands).toHaveCount(4);
  await page.getByLabel('Gather by').selectOption('network');
  await expect(strands.first()).toHaveAccessibleName(/T23/);
  await page.getByLabel('Show', { exact: true }).selectOption('unpatched');
  await expect(strands).toHaveCount(9);
});

test('runs are planned onto ports anew with the minutes it takes, and ended with a card', async ({ page }) => {
  const id = await openOffice(page, 'land/plan');
  await page.getByLabel('Left free behind each room').fill('1');
  await page.getByLabel('Left free behind each room').press('Enter');
  await page.getByLabel('Order on the panels').selectOption('room');
  await page.getByLabel('runs that are landed may move').check();
  await page.getByRole('button', { name: 'Plan all anew' }).click();
  const proposal = page.getByRole('region', { name: 'Proposed landing' });
  await expect(proposal).toContainText(/Re-landed\d+, about \d+ (h|min)/);
  await proposal.getByRole('button', { name: 'Use this plan' }).click();
  await saved(page);

  await go(page, `/jobs/${id}/land/cards`);
  const card = page.getByRole('region', { name: /^Termination card of/ });
  await expect(card).toContainText('block 1 from the right as seen from behind');
  await card.getByRole('group', { name: 'At the panel' }).getByLabel('No conductor nicked').check();
  await card.getByRole('group', { name: 'At the panel' }).getByLabel('Who').fill('Nia');
  await card.getByRole('group', { name: 'At the panel' }).getByLabel('Who').press('Enter');
  await expect(page.getByRole('button', { name: /1 of 2 ends done/ })).toBeVisible();
  await saved(page);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Cards, PDF' }).click(),
  ]);
  expect(
    readFileSync(await file.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  for (const name of ['port-map.pdf', 'patch.graphml', 'patch.dot', 'cords.csv'])
    expect((await page.request.get(`/api/jobs/${id}/files/${name}`)).status()).toBe(200);
});

test('two people patch the same port: one wins, the other is told, and nothing is lost', async ({ page, browser }) => {
  const file = JSON.parse(smallJob('Same port', ['1', '2']));
  file.landings = ['1', '2'].map((label, at) => ({ id: label, runId: `run-${label}`, panelId: 'panel', port: at + 1 }));
  const id = await openJobFile(page, JSON.stringify(file));
  const other = await anotherBrowser(browser);
  for (const window of [page, other]) {
    await go(window, `/jobs/${id}/patch`);
    await expect(window.getByRole('button', { name: /^1 device 1/ })).toBeVisible();
  }
  const release = await hold(page);
  const patch = async (window: Page, run: RegExp) => {
    await window.getByRole('button', { name: run }).focus();
    await window.keyboard.press('Enter');
    await window.keyboard.press('Enter');
  };
  await patch(page, /^1 device 1/);
  await patch(other, /^2 device 2/);
  await saved(other);
  release();
  await expect(page.getByText(/could not be done and was set aside: Switch port 1 is taken already/)).toBeVisible();
  await saved(page);
  for (const window of [page, other]) {
    await expect(window.getByRole('button', { name: /^Switch port 1, .*, 2$/ })).toBeVisible();
    await expect(window.getByRole('button', { name: /^1 device 1, Hall, not patched/ })).toBeVisible();
  }
});
