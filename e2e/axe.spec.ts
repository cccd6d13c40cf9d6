import { expect, type Page, test } from '@playwright/test';
import { RACK_VIEWS } from '../src/ui/rack/place';
import { findings } from './findings';
import { turnTo } from './turnTo';

const VIEWS: { name: string; path: string; prepare?: (page: Page) => Promise<unknown> }[] = [
  { name: 'the list', path: '/' },
  { name: 'a new job', path: '/new' },
  { name: 'the handbook', path: '/handbook' },
  { name: 'runs', path: '/jobs/quillback/runs', prepare: (page) => page.getByLabel('Room of 07').focus() },
  {
    name: 'import',
    path: '/jobs/quillback/runs',
    prepare: (page) => page.getByRole('button', { name: 'Import runs' }).click(),
  },
  {
    name: 'runs chosen and grouped',
    path: '/jobs/quillback/runs',
    prepare: async (page) => {
      await page.getByLabel('Group by').selectOption('room');
      await page.getByLabel('Choose every run shown').check();
      await page.getByLabel('Columns').selectOption('cable');
    },
  },
  {
    name: 'the plan',
    path: '/jobs/quillback/survey',
    prepare: (page) => page.getByRole('button', { name: /^Room Kennels/ }).focus(),
  },
  { name: 'questions', path: '/jobs/quillback/survey/questions' },
  { name: 'wishes', path: '/jobs/quillback/survey/wishes' },
  { name: 'capacity', path: '/jobs/quillback/survey/capacity' },
  { name: 'advice', path: '/jobs/quillback/survey/advice' },
  { name: 'scope', path: '/jobs/quillback/survey/scope' },
  { name: 'pathways', path: '/jobs/quillback/runs/pathways' },
  {
    name: 'buying',
    path: '/jobs/quillback/runs/buying',
    prepare: async (page) => {
      await page.getByRole('button', { name: /^Plan the boxes/ }).click();
      await expect(page.getByRole('button', { name: 'Take this plan' })).toBeVisible();
    },
  },
  { name: 'kinds of cable', path: '/jobs/quillback/runs/kinds' },
  { name: 'labels', path: '/jobs/quillback/runs/labels' },
  { name: 'tracing', path: '/jobs/marrowby/runs/tracing' },
  { name: 'stack', path: '/jobs/quillback/stack' },
  {
    name: 'arrangements',
    path: '/jobs/quillback/stack/arrange',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Show three layouts' }).click();
      await expect(page.getByRole('button', { name: 'Close' })).toBeVisible();
    },
  },
  { name: 'holes', path: '/jobs/quillback/stack/holes' },
  { name: 'the wall', path: '/jobs/quillback/stack/wall' },
  { name: 'lifting', path: '/jobs/quillback/stack/lifting' },
  {
    name: 'a device',
    path: '/jobs/quillback/stack',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Switch A, U16' }).focus();
      await page.getByRole('button', { name: 'Change Switch A' }).click();
    },
  },
  {
    name: 'the library',
    path: '/jobs/quillback/stack',
    prepare: (page) => page.getByRole('button', { name: 'Add gear' }).click(),
  },
  {
    name: 'the rack',
    path: '/jobs/quillback/stack',
    prepare: (page) => page.getByRole('button', { name: /Wall cabinet: 18U/ }).click(),
  },
  {
    name: 'keys',
    path: '/jobs/quillback/patch',
    prepare: (page) => page.getByRole('button', { name: 'Keys', exact: true }).click(),
  },
  { name: 'land', path: '/jobs/quillback/land' },
  {
    name: 'patch with a plan',
    path: '/jobs/quillback/patch',
    prepare: async (page) => {
      await page.getByRole('button', { name: /^07 / }).click();
      await page.getByRole('button', { name: 'Patch the rest' }).click();
      await expect(page.getByRole('button', { name: /^Patch \d+ runs/ })).toBeVisible();
    },
  },
  { name: 'a landing plan', path: '/jobs/quillback/land/plan' },
  { name: 'termination cards', path: '/jobs/tarnbrook/land/cards' },
  { name: 'faces', path: '/jobs/tarnbrook/patch/faces' },
  {
    name: 'a plan of the map',
    path: '/jobs/tarnbrook/patch/plan',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Plan the map' }).click();
      await expect(page.getByRole('button', { name: 'Close' })).toBeVisible();
    },
  },
  { name: 'cords', path: '/jobs/tarnbrook/patch/cords' },
  { name: 'uplinks', path: '/jobs/tarnbrook/patch/uplinks' },
  { name: 'networks', path: '/jobs/tarnbrook/patch/networks' },
  {
    name: 'feeds with a plan',
    path: '/jobs/schnuerlbach/power',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Plug the rest' }).click();
      await expect(page.getByRole('button', { name: 'Use this plan' })).toBeVisible();
    },
  },
  { name: 'feeds', path: '/jobs/quillback/power' },
  { name: 'circuits', path: '/jobs/quillback/power/circuits' },
  {
    name: 'trip it',
    path: '/jobs/quillback/power/trip',
    prepare: (page) => page.getByRole('button', { name: 'The mains', exact: true }).click(),
  },
  {
    name: 'a battery',
    path: '/jobs/quillback/power/batteries',
    prepare: (page) => page.getByRole('button', { name: 'Change its battery' }).click(),
  },
  { name: 'heat', path: '/jobs/quillback/power/heat' },
  { name: 'cable heat', path: '/jobs/quillback/power/bundles' },
  { name: 'noise', path: '/jobs/quillback/power/noise' },
  { name: 'recordings', path: '/jobs/quillback/power/recordings' },
  ...['', 'kit', 'play', 'work', 'notice', 'terms'].map((view) => ({
    name: `build ${view}`,
    path: `/jobs/ostermoor/build/${view}`,
    prepare: async (page: Page) => {
      await expect(page.getByText('Bringing the steps into order')).toHaveCount(0);
    },
  })),
  ...['', 'many', 'board', 'faults', 'trouble', 'compare', 'practice'].map((view) => ({
    name: `prove ${view}`,
    path: `/jobs/quillback/prove/${view}`,
  })),
  ...['', 'more', 'built', 'photographs', 'care', 'cost', 'log'].map((view) => ({
    name: `hand over ${view}`,
    path: `/jobs/quillback/handover/${view}`,
  })),
  { name: 'jobs on this device', path: '/rack' },
  ...['', ...RACK_VIEWS].map((view) => ({ name: `at the rack ${view}`, path: `/jobs/quillback/rack/${view}` })),
  {
    name: 'find',
    path: '/jobs/quillback/land',
    prepare: (page) => page.keyboard.press('/').then(() => page.keyboard.type('office')),
  },
];

const WIDTHS = [1280, 390] as const;
const LONG = Boolean(process.env.SHELF_LONG);
/** In quarters: each ends in time on a slow machine too. */
const PARTS = ['first', 'second', 'third', 'fourth'].map((part, at) => ({
  part,
  views: VIEWS.slice(Math.round((at * VIEWS.length) / 4), Math.round(((at + 1) * VIEWS.length) / 4)),
}));

for (const { part, views } of PARTS) {
  test(`no serious finding on any view, by day and by torchlight, and none scrolls sideways: ${part} quarter`, async ({
    page,
  }) => {
    let open: string | undefined;
    let looks = 0;
    for (const { name, path, prepare } of views) {
      // Within one job the page stays, unless something was opened or planned in it.
      const job = /^\/jobs\/[^/]+(?!.*\/rack)/.exec(path)?.[0];
      await page.evaluate(() => document.documentElement.setAttribute('data-theme', 'day')).catch(() => undefined);
      if (job !== undefined && job === open) await turnTo(page, path.replace(/\/$/, ''));
      else await page.goto(path);
      open = prepare ? undefined : job;
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await prepare?.(page);
      // All but colours is the same in the dark: every other view is looked at in it, in the long trial each in both.
      const dark = ++looks % 2 === 0;
      if (dark || LONG) {
        await page.evaluate(() => document.documentElement.setAttribute('data-theme', 'closet'));
        expect
          .soft(await findings(page, dark && !LONG ? undefined : ['color-contrast']), `${name}, closet light`)
          .toEqual([]);
        await page.evaluate(() => document.documentElement.setAttribute('data-theme', 'day'));
      }
      if (!dark || LONG) expect.soft(await findings(page), name).toEqual([]);
      for (const width of [...WIDTHS].reverse()) {
        await page.setViewportSize({ width, height: 800 });
        const wide = () => page.evaluate(() => document.documentElement.scrollWidth);
        await expect.poll(wide, `${name} at ${width}`).toBeLessThanOrEqual(width);
      }
    }
  });
}

test('trace on a phone: find a label and read its whole path', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/jobs/quillback/land');
  await page.getByRole('button', { name: 'Find' }).click();
  await page.getByPlaceholder('A label, room, port, device, view or formula').fill('fridge');
  await page.getByRole('option', { name: /24/ }).first().click();
  const trace = page.getByTestId('trace');
  await expect(trace).toBeInViewport();
  for (const words of ['Pharmacy', '24 · Cat 6 U/UTP · 19 m', 'fridge monitor', 'Panel A · 24', 'Switch A'])
    await expect(trace).toContainText(words);
});
