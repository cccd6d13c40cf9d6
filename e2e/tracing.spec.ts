import { expect, type Page, test } from '@playwright/test';
import { demoText, go, openJobFile, saved } from './job';

const house = () => {
  const file = JSON.parse(demoText('marrowby-job.json'));
  file.job.id = `house-${Math.random().toString(36).slice(2)}`;
  return JSON.stringify(file);
};
const heard = (page: Page) => page.getByRole('region', { name: 'What was heard' });

test('unlabelled cables are traced walk by walk with the simulated set, and labelled in one step', async ({ page }) => {
  const id = await openJobFile(page, house());
  await go(page, `/jobs/${id}/runs/tracing`);
  await expect(page.getByText('4 walks left')).toBeVisible();
  await expect(page.getByText('proven the fewest')).toBeVisible();
  await page.getByLabel('Remotes at hand').fill('7');
  await page.getByLabel('Remotes at hand').press('Enter');
  await expect(page.getByText('2 walks left')).toBeVisible();
  await page.getByRole('button', { name: 'Try it with the simulated set' }).click();
  await expect(page.getByText('Simulated: made up, not heard.')).toBeVisible();
  await page.getByRole('button', { name: 'Write down 7 answers' }).click();
  await expect(page.getByText('7 of 14 jacks asked')).toBeVisible();
  await expect(heard(page).getByText('simulated: made up, not heard')).toHaveCount(7);
  const label = page.getByRole('button', { name: /^Label \d+ cables?$/ });
  const count = Number(/\d+/.exec((await label.textContent()) ?? '')?.[0]);
  await label.click();
  await expect(heard(page).getByText('labelled')).toHaveCount(count);
  await saved(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(heard(page).getByText('labelled')).toHaveCount(0);
});

test('a contradiction is named and asked again, with the keyboard alone', { tag: '@long' }, async ({ page }) => {
  const id = await openJobFile(page, house());
  await go(page, `/jobs/${id}/runs/tracing`);
  const answer = page.getByLabel('Cable that answers remote 1 in Ground, Hall, by the door', { exact: true });
  await answer.focus();
  await answer.press('x');
  await answer.selectOption({ label: 'X3' });
  await page.getByLabel('Another cable answers in Ground, Hall, by the door as well').press('Enter');
  await page.getByLabel('Cable that answers remote 1 in Ground, Hall, by the door, 2').selectOption({ label: 'X4' });
  await page.getByRole('button', { name: 'Write down 1 answer' }).press('Enter');
  await expect(heard(page)).toContainText('X3 and X4 both answered');
  const docket = page.getByRole('complementary', { name: 'Docket' });
  await expect(docket).toContainText('One cable ends at one jack.');
  await docket.getByRole('button', { name: 'Forget what was heard there, and ask again' }).press('Enter');
  await expect(heard(page)).not.toContainText('both answered');
});

test('the log works with one thumb: a jack and cable ends are listed and traced on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const empty = JSON.parse(house());
  const id = await openJobFile(page, JSON.stringify({ ...empty, runs: [], jacks: [] }));
  await go(page, `/jobs/${id}/runs/tracing`);
  await page.getByLabel('Room').fill('Loft');
  await page.getByLabel('Jack', { exact: true }).fill('socket {1..2}');
  await page.getByRole('region', { name: 'Jacks' }).getByRole('button', { name: 'Add' }).click();
  await page.getByLabel('Tags').fill('X{1..3}');
  await page.getByRole('region', { name: 'Cable ends' }).getByRole('button', { name: 'Add' }).click();
  await expect(page.getByText('1 walk left')).toBeVisible();
  await page.getByLabel('Cable that answers remote 1 in Loft, socket 1').selectOption({ label: 'X2' });
  await page.getByLabel('Cable that answers remote 2 in Loft, socket 2').selectOption('none');
  const write = page.getByRole('button', { name: 'Write down 2 answers' });
  expect((await write.boundingBox())?.height).toBeGreaterThanOrEqual(40);
  await write.click();
  await expect(heard(page)).toContainText('silent');
  await page.getByRole('button', { name: 'Label 1 cable' }).click();
  await expect(heard(page)).toContainText('labelled');
  await saved(page);
  expect(await page.evaluate('document.documentElement.scrollWidth')).toBe(390);
});
