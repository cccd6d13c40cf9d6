import { expect, test } from '@playwright/test';
import { demoFile, saved, station } from './job';

test.use({ viewport: { width: 1280, height: 800 } });

test('a stranger’s untidy list becomes a cabinet, from an empty job to what is taken away', async ({ page }) => {
  // Nothing is started before it is said whose rules hold and how the cabinet stands.
  await page.goto('/new');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByText('Give the job a name')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Töpferei & Gästehaus');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByText('Choose a country')).toBeVisible();
  await page.getByLabel('Country').selectOption('IE');
  await page.getByLabel('The cabinet stands').selectOption('wall');
  await page.getByLabel('Rack height').fill('15');
  await page.getByLabel('How many: Patch panel, keystone, 48').fill('2');
  await page.getByLabel('Names of Patch panel, keystone, 48').fill('Feld oben, Feld unten');
  await page.getByLabel('How many: Switch, 48 × 1G PoE+ 740 W, 4 × SFP+').fill('1');
  await page.getByLabel('How many: Router, 1 × 2.5G internet, 4 × 1G').fill('1');
  await page.getByLabel('How many: Optical modem').fill('1');
  await page.getByLabel('How many: Shelf, 250 mm').fill('1');
  await page.getByLabel('How many: Recorder, 4 drives').fill('1');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await page.waitForURL(/\/survey/);

  // The list as it came: title lines, German headings, rough figures. Nothing is mapped by hand.
  await station(page, 'Runs');
  await page.getByRole('button', { name: 'Import runs' }).click();
  await page.getByLabel(/A CSV file/).setInputFiles(demoFile('schnuerlbach-kabelliste.csv'));
  await expect(page.getByTestId('counts')).toHaveText('60 new, 0 changed, 0 as they are, 0 not taken.');
  await page.getByRole('button', { name: 'Import: add 60' }).click();
  await expect(page.getByLabel('Device of 07')).toHaveValue('Arbeitsplatz Arzt');
  await expect(page.getByLabel('Cable of 07')).toHaveValue('Cat 6A F/UTP Dca');

  // Words are looked for as words; a bulk change says first what it overwrites.
  await page.getByLabel('Show only runs with').fill('Cat 6 UTP');
  await expect(page.getByText('24 of 60 runs')).toBeVisible();
  await page.getByLabel('Choose every run shown').check();
  await page.getByLabel('Field to set').selectOption('cable');
  await expect(page.getByTestId('overwritten')).toHaveText('Cable now: 24 × Cat 6 U/UTP Dca.');
  await page.getByRole('button', { name: 'Clear selection' }).click();
  await page.getByLabel('Show only runs with').fill('');

  // A figure opens the handbook with its own numbers.
  await page.getByLabel('Label of 07').click();
  await page.getByRole('button', { name: 'Why? Limit of fixed cable' }).click();
  const handbook = page.getByRole('dialog', { name: 'Handbook' });
  await expect(handbook.getByText('With the numbers of this job')).toBeVisible();
  await expect(handbook.getByLabel('Warmest place')).toHaveValue('30');
  await page.keyboard.press('Escape');

  // Rooms that the list names are offered to the plan.
  await station(page, 'Survey');
  await page.getByRole('button', { name: /^Draw \d+ rooms$/ }).click();
  await expect(page.getByRole('button', { name: 'Keller' })).toBeVisible();

  await station(page, 'Stack');
  await page.getByRole('button', { name: /^Place \d+ devices$/ }).click();
  await station(page, 'Land');
  await page.getByRole('button', { name: /^Land \d+ runs/ }).click();
  await expect(page.getByRole('region', { name: 'Feld oben' })).toBeVisible();
  // A tap shows the trace and moves nothing; to move is asked for.
  await page.getByRole('button', { name: /^\d+ 01 / }).click();
  await expect(page.getByTestId('trace')).toContainText('Arbeitsplatz Anmeldung links');
  await page.getByRole('button', { name: /^\d+ 02 / }).click();
  await expect(page.getByRole('button', { name: /^\d+ 02 / })).toBeVisible();
  await page.getByRole('button', { name: 'Pick up 02' }).click();
  await expect(page.getByTestId('land-words')).toContainText('02 is in hand');
  await page.getByRole('button', { name: 'Put it back' }).click();

  // The rest, with reasons and what would let it in; what stands in the cabinet is cabled too.
  await station(page, 'Patch');
  await page.getByRole('button', { name: 'Patch the rest' }).click();
  const left = page.getByRole('list', { name: 'Left out' });
  await expect(left).toContainText('patching it at 1 Gb/s, slower than it wants');
  await page.getByRole('button', { name: /^Patch \d+ runs$/ }).click();
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Uplinks' }).click();
  await page.getByRole('button', { name: 'Cable 2 devices' }).click();
  await expect(page.getByText('Devices without a cord')).toBeHidden();
  await saved(page);

  const map = await page.request.get(
    `${page
      .url()
      .replace(/\/patch.*/, '')
      .replace('/jobs/', '/api/jobs/')}/files/port-map.csv`,
  );
  const text = await map.text();
  expect(text.startsWith('\uFEFFlabel,')).toBe(true);
  expect(text).toContain('Kaffeeküche');
  expect(text).toContain('in the cabinet');
});

test('a view, a run and a page that are not there say so', async ({ page }) => {
  await page.goto('/jobs/quillback/runs/nope');
  await expect(page.getByRole('alert').filter({ hasText: 'There is no view “nope” here' })).toBeVisible();
  await page.goto('/jobs/quillback/runs?trace=ZZZ');
  await expect(page.getByText('There is no run “ZZZ” in this job.')).toBeVisible();
  await page.goto('/jobs/quillback/cellar');
  await expect(page.getByRole('heading', { name: 'Page not found' })).toBeVisible();
});
