import { expect, type Page, test } from '@playwright/test';
import { go, openJobFile, saved, smallJob, station, tabTo } from './job';
import { drag, middle, resting } from './pointer';

const said = (page: Page) => page.getByTestId('announcer');
const device = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

const frame = (page: Page, side: 'front' | 'rear', at = 0) => resting(page, page.getByTestId(`rack-${side}`).nth(at));

test('gear of one’s own, two cabinets, front and rear, a shelf, by mouse', async ({ page }) => {
  await openJobFile(page, smallJob('Two cabinets', ['1']));
  await station(page, 'Stack');

  // A new 24-port switch from a line.
  await device(page, 'Add gear').click();
  await page.getByLabel('Look for gear').fill('small switch');
  await expect(page.getByText('2 of 8', { exact: false })).toBeVisible();
  await device(page, 'Add Small switch, 5 × 1G').click();
  await page.getByLabel('Look for gear').fill('shelf 250');
  await page.getByRole('button', { name: 'Add Shelf, 250 mm', exact: true }).click();
  await device(page, 'Describe your own').click();
  await page.getByLabel('Name', { exact: true }).fill('Core switch');
  await page.getByLabel('Ports').fill('24×RJ45 1G PoE+ 2 rows; 4×SFQ');
  await device(page, 'Add it to the pile').click();
  await expect(page.getByText(/Port group 2, “4×SFQ”: expected one of RJ45/)).toBeVisible();
  await page.getByLabel('Ports').fill('24×RJ45 1G PoE+ 2 rows; 4×SFP+');
  await device(page, 'Add it to the pile').click();
  await expect(device(page, /^Core switch 1U .*in the pile/)).toBeVisible();

  // Another cabinet, and gear carried into it.
  await page.getByRole('button', { name: 'Cabinet', exact: true }).click();
  await page.getByLabel('Name', { exact: true }).fill('Annex');
  await page.getByLabel(/^Height/).fill('6');
  await device(page, 'Put it up').click();
  await expect(page.getByTestId('rack-front')).toHaveCount(2);
  // Measured anew each time: a shorter pile or another cabinet moves and scales the drawing.
  const inAnnex = async (fromTop: number, side: 'front' | 'rear' = 'front') => {
    const box = await frame(page, side, 0);
    return { x: box.x + 60, y: box.y + (box.height / 6) * fromTop };
  };
  await drag(page, await middle(page, /^Core switch/), await inAnnex(0.5));
  await expect(page.getByTestId('place-words')).toHaveText('Free: U6 of Annex');
  await page.mouse.up();
  await expect(device(page, 'Core switch, U6')).toBeVisible();

  // A shelf, and what has no ears on it: elsewhere it is told why not.
  await drag(page, await middle(page, /^Shelf, 250 mm 1U/), await inAnnex(2.5));
  await expect(page.getByTestId('place-words')).toHaveText('Free: U4 of Annex');
  await page.mouse.up();
  await expect(device(page, /\bShelf, 250 mm, U4/)).toBeVisible();
  await drag(page, await middle(page, /^Small switch/), await inAnnex(4.5));
  await expect(page.getByTestId('place-words')).toContainText('has no ears: put it on a shelf');
  const shelf = await inAnnex(2.5);
  await page.mouse.move(shelf.x, shelf.y, { steps: 3 });
  await expect(page.getByTestId('place-words')).toHaveText('Free: on Shelf, 250 mm');
  await page.mouse.up();
  await expect(device(page, 'Small switch, 5 × 1G, on its shelf')).toBeVisible();

  // To the rear rails of the cabinet in the hand; the side view says what it is.
  await drag(page, await middle(page, /\bCore switch, U6/), await inAnnex(0.5, 'rear'));
  await expect(page.getByTestId('place-words')).toHaveText('Free: U6 behind of Annex');
  await page.mouse.up();
  await expect(device(page, 'Core switch, U6 behind')).toBeVisible();

  // Back to the pile.
  const pile = await resting(page, page.getByRole('region', { name: 'Pile' }));
  await drag(page, await middle(page, /\bCore switch, U6/), {
    x: pile.x + pile.width - 30,
    y: pile.y + pile.height / 2,
  });
  await page.mouse.up();
  await expect(device(page, /^Core switch .*in the pile/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(device(page, 'Small switch, 5 × 1G, on its shelf')).toBeVisible();

  // The other cabinet goes, with one step; undo brings it back.
  await device(page, 'Annex: 6U').click();
  await device(page, 'Take Annex away').click();
  await expect(page.getByTestId('rack-front')).toHaveCount(1);
  await device(page, 'Undo: Take away Annex').click();
  await expect(page.getByTestId('rack-front')).toHaveCount(2);
});

test('keys carry a device to the rear rails and say what will bite', async ({ page }) => {
  await openJobFile(page, smallJob('By keys', ['1']));
  await station(page, 'Stack');
  await tabTo(page, /^Deep box .*in the pile/);
  await page.keyboard.press('Enter');
  await expect(said(page)).toHaveText('U8–U9 is taken by Switch.');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(said(page)).toHaveText('Deep box is 500 mm deep: 200 mm more than Rack has.');
  await page.keyboard.press('Escape');
  await device(page, 'Switch, U8').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await expect(said(page)).toHaveText(/Switch at U8 behind: free/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(said(page)).toHaveText('Switch placed at U7 behind');
  await device(page, 'Switch, U7 behind').focus();
  await page.keyboard.press('p');
  await expect(device(page, 'Switch, U7 behind, pinned')).toBeVisible();
  await page.keyboard.press('e');
  await expect(page.getByRole('dialog', { name: 'Switch' })).toBeVisible();
});

test('three arrangements side by side; one is taken in one step and undone in one', async ({ page }) => {
  const job = JSON.parse(smallJob('To arrange', ['1']));
  job.placements[1].bottomU = 1;
  await openJobFile(page, JSON.stringify(job));
  await station(page, 'Stack');
  await page.getByRole('link', { name: 'Arrange' }).click();
  await page.getByLabel('Distribution unit').selectOption('top');
  await device(page, 'Show three layouts').click();
  const first = page.getByRole('region', { name: 'Panel, switch, panel' });
  await expect(first).toContainText('proven best');
  await expect(page.getByRole('region', { name: 'Panels together at the entry' })).toContainText('Centre of gravity');
  await first.getByRole('button', { name: 'Why?' }).click();
  await expect(page.getByRole('region', { name: 'Reasons' })).toContainText('next to it');
  await first.getByRole('button', { name: 'Use this layout' }).click();
  await page.getByRole('link', { name: 'Cabinet' }).click();
  await expect(device(page, 'Switch, U1')).toHaveCount(0);
  await device(page, /^Undo: Take .* out of the rack/).click();
  await expect(device(page, 'Switch, U1')).toBeVisible();
});

test('holes, hanging and lifting are told with figures, and go away as files', async ({ page }) => {
  await go(page, '/jobs/quillback/stack/holes');
  await expect(page.getByRole('region', { name: 'Holes of Wall cabinet' })).toContainText('cage nuts');
  for (const [link, name] of [
    ['Hole card, PDF', /hole-card\.pdf$/],
    ['', /elevation\.png$/],
  ] as const) {
    if (link === '') await go(page, '/jobs/quillback/stack');
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: link || 'PNG' }).click();
    expect((await download).suggestedFilename()).toMatch(name);
  }
  await go(page, '/jobs/quillback/stack/wall');
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('The fixings hold');
  await page.getByLabel(/^Safety factor/).fill('12');
  await page.getByLabel(/^Safety factor/).press('Enter');
  await expect(verdict).toContainText('The fixings do not hold.');
  await page.getByLabel(/^Safety factor/).fill('many');
  await page.getByLabel(/^Safety factor/).press('Enter');
  await expect(page.getByText(/expected number, received NaN|expected a number/i)).toBeVisible();
  await page.getByLabel('Wall', { exact: true }).selectOption('plasterboard');
  await expect(verdict).toContainText('Plasterboard alone does not hold a cabinet');
  await device(page, /^Undo/).click();
  await device(page, /^Undo/).click();
  await expect(verdict).toContainText('The fixings hold');
  await page.getByRole('link', { name: 'Lifting and loading' }).click();
  await expect(page.getByRole('region', { name: 'Lifting', exact: true })).toContainText('Hang Wall cabinet empty');
});
