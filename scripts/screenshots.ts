import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { openBrowser } from './lib/browser';
import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { root } from './lib/root';
import { portFrom, startServer } from './lib/server';

/** The main views, made from the demo data. Run it when a view changes: npm run screenshots [NAME …] */
type View = {
  name: string;
  path: string;
  phone?: boolean;
  theme?: 'closet';
  prepare?: (page: Page) => Promise<unknown>;
};

const job = (station: string) => `/jobs/quillback/${station}`;
const CHANGED =
  'label,room,outlet,device,length_m\n07,Waiting room,ceiling,access point A,26\n40,Stable block,door,camera,80\n41,Stable block,yard,camera,-3\n';

const VIEWS: View[] = [
  { name: 'jobs', path: '/' },
  {
    name: 'survey',
    path: job('survey'),
    prepare: (page) => page.getByRole('button', { name: /^Room Treatment room/ }).focus(),
  },
  { name: 'capacity', path: job('survey/capacity') },
  {
    name: 'labels',
    path: job('runs/labels'),
    prepare: (page) => page.getByLabel('A code to scan, which opens the trace').check(),
  },
  {
    name: 'tracing-on-a-phone',
    path: '/jobs/marrowby/runs/tracing',
    phone: true,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Try it with the simulated set' }).click();
      await page.getByRole('button', { name: /^Write down/ }).click();
    },
  },
  { name: 'runs', path: job('runs'), prepare: (page) => page.getByLabel('Device of 07').focus() },
  {
    name: 'import',
    path: job('runs'),
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Import runs' }).click();
      await page
        .getByLabel(/A CSV file/)
        .setInputFiles({ name: 'changes.csv', mimeType: 'text/csv', buffer: Buffer.from(CHANGED) });
    },
  },
  {
    name: 'stack',
    path: job('stack'),
    prepare: async (page) => {
      await page.getByRole('button', { name: /^UPS/ }).focus();
      await page.keyboard.press('Enter');
      for (let step = 0; step < 5; step++) await page.keyboard.press('ArrowDown');
    },
  },
  {
    name: 'arrange',
    path: job('stack/arrange'),
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Show three layouts' }).click();
      await page.getByRole('button', { name: 'Close' }).waitFor();
      await page.getByRole('button', { name: 'Why?' }).first().click();
    },
  },
  { name: 'land', path: job('land'), prepare: (page) => page.getByRole('button', { name: /^\d+ 26 / }).hover() },
  { name: 'patch', path: job('patch'), prepare: (page) => page.getByRole('button', { name: /^07 / }).click() },
  {
    name: 'patch-plan',
    path: '/jobs/tarnbrook/patch/plan',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Plan the map' }).click();
      await page.getByRole('button', { name: 'Close' }).waitFor();
      await page.getByRole('region', { name: 'Move few cords' }).getByRole('button', { name: 'Why?' }).click();
    },
  },
  { name: 'feeds', path: job('power') },
  {
    name: 'trip-closet-light',
    path: job('power/trip'),
    theme: 'closet',
    prepare: (page) => page.getByRole('button', { name: 'The mains', exact: true }).click(),
  },
  {
    name: 'build-order',
    path: '/jobs/ostermoor/build',
    prepare: (page) => page.getByText('proven least').waitFor(),
  },
  {
    name: 'work-on-a-phone',
    path: '/jobs/ostermoor/build/work',
    phone: true,
    prepare: (page) => page.getByRole('article', { name: 'The step now' }).waitFor(),
  },
  {
    name: 'compare',
    path: '/jobs/tarnbrook/prove/compare',
    prepare: async (page) => {
      await page.getByLabel('Switch', { exact: true }).selectOption({ label: 'New switch' });
      await page.getByLabel('Simulated switch, with').selectOption('mixed');
      await page.getByRole('button', { name: 'Ask the simulated switch' }).click();
      await page.getByRole('region', { name: 'Causes' }).waitFor();
      await page.getByText('Every port of').click();
    },
  },
  {
    name: 'one-more',
    path: '/jobs/quillback/handover/more',
    prepare: (page) => page.getByRole('region', { name: 'Ways' }).getByRole('article').first().waitFor(),
  },
  { name: 'at-the-rack', path: '/jobs/quillback/rack', phone: true },
];

const wanted = process.argv.slice(2);
const folder = join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
if (!ensureBuild(true)) process.exit(1);
const databases = await openDatabases('test');
const name = `good_shelf_pictures_${process.pid}`;
const url = await databases.ensure(name);
await prepareDatabase(url, false);
const server = await startServer(url, await portFrom(4690));
const browser = await openBrowser();
for (const view of VIEWS.filter((one) => wanted.length === 0 || wanted.includes(one.name))) {
  const viewport = view.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 };
  const page = await (await browser.newContext({ viewport })).newPage();
  if (view.theme) await page.addInitScript((theme) => localStorage.setItem('good-shelf-theme', theme), view.theme);
  await page.goto(`${server.address}${view.path}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForTimeout(400);
  await view.prepare?.(page);
  // The docket and the stations are judged behind what is drawn.
  await page.waitForFunction(() => document.querySelector('[aria-busy="true"]') === null);
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(folder, `${view.name}.png`) });
  console.log(`docs/screenshots/${view.name}.png`);
  await page.context().close();
}
await browser.close();
await server.stop();
await databases.drop(name);
databases.stop();
