import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page, test } from '@playwright/test';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Serious and critical findings of axe on the page as it stands. */
async function findings(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  return page.evaluate(async () => {
    type Result = { violations: { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[] };
    const { violations } = await (window as unknown as { axe: { run: () => Promise<Result> } }).axe.run();
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .flatMap(({ id, nodes }) =>
        nodes.slice(0, 3).map((node) => `${id}: ${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 200)}`),
      );
  });
}

const VIEWS: { name: string; path: string; prepare?: (page: Page) => Promise<unknown> }[] = [
  { name: 'the list', path: '/' },
  { name: 'a new job', path: '/new' },
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
    prepare: (page) => page.getByRole('button', { name: 'Keys' }).click(),
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
  {
    name: 'find',
    path: '/jobs/quillback/land',
    prepare: (page) => page.keyboard.press('/').then(() => page.keyboard.type('office')),
  },
];

for (const theme of ['daylight', 'closet']) {
  test(`no serious finding on any view, ${theme}`, async ({ page }) => {
    await page.addInitScript((value) => localStorage.setItem('good-shelf-theme', value), theme);
    for (const { name, path, prepare } of VIEWS) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await prepare?.(page);
      expect.soft(await findings(page), name).toEqual([]);
    }
  });
}

test('no page scrolls sideways, wide or on a phone', async ({ page }) => {
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 800 });
    for (const path of new Set(VIEWS.map((view) => view.path))) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth),
        `${path} at ${width}`,
      ).toBeLessThanOrEqual(width);
    }
  }
});

test('trace on a phone: find a label and read its whole path', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/jobs/quillback/land');
  await page.getByRole('button', { name: 'Find' }).click();
  await page.getByPlaceholder('A label, room, port or device').fill('fridge');
  await page.getByRole('option', { name: /24/ }).first().click();
  const trace = page.getByTestId('trace');
  await expect(trace).toBeInViewport();
  for (const words of ['Pharmacy', '24 · Cat 6 U/UTP · 19 m', 'fridge monitor', 'Panel A · 24', 'Switch A'])
    await expect(trace).toContainText(words);
});
