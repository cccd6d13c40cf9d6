import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Browser, expect, type Page, test } from '@playwright/test';
import { bareJob, plannedJob } from '../scripts/lib/benchJob';
import { patchGraphMl } from '../src/core/exchange/formats/patchGraph';
import { pathLines } from '../src/core/exchange/handover/pathLine';
import { patchCordsOf } from '../src/core/job/document/cordKinds';
import { emptyJob, type Job } from '../src/core/job/document/job';
import { indexJob } from '../src/core/job/document/jobIndex';
import { planJob } from '../src/core/trade/wholeJob/planJob';
import { handoverHtml } from '../src/print/handoverHtml';
import { apply, bench, marrowby, ostermoor, schnuerlbach, tarnbrook } from '../tests/support/jobs';
import { powered } from '../tests/support/powered';

const root = resolve(import.meta.dirname, '..');
const about = { version: 'Version “As built”', at: new Date().toISOString(), address: '' };
const folder = mkdtempSync(join(tmpdir(), 'handover-'));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** The file from disk in a browser without any network; what it asks for is counted. */
async function openFile(
  browser: Browser,
  job: Job,
  name: string,
  more: object = {},
): Promise<{ page: Page; asked: string[]; bytes: number }> {
  const html = handoverHtml(job, root, about);
  const path = join(folder, `${name}.html`);
  writeFileSync(path, html);
  const context = await browser.newContext({ offline: true, ...more });
  const page = await context.newPage();
  const asked: string[] = [];
  page.on('request', (request) => {
    if (request.url() !== url) asked.push(request.url());
  });
  page.on('pageerror', (fault) => asked.push(String(fault)));
  const url = pathToFileURL(path).href;
  await page.goto(url);
  return { page, asked, bytes: Buffer.byteLength(html) };
}

const field = (page: Page) => page.getByRole('searchbox');
const trace = (page: Page) => page.getByRole('region', { name: 'Trace' });

test('every run of every demo job is found and traced as the core traces it, and nothing is asked of anybody', async ({
  browser,
}) => {
  const jobs: Record<string, Job> = {
    quillback: powered(),
    tarnbrook: tarnbrook(),
    marrowby: marrowby(),
    schnuerlbach: schnuerlbach(),
    ostermoor: ostermoor('plan'),
  };
  for (const [name, job] of Object.entries(jobs)) {
    const { page, asked } = await openFile(browser, job, name);
    await expect(field(page)).toBeFocused();
    const lines = pathLines(job).filter(({ label }) => label !== '');
    // One call for all runs: what is typed and read is the same as by hand, and sooner.
    const told = await page.evaluate(
      (labels) => {
        const input = document.getElementById('find') as HTMLInputElement;
        const region = document.getElementById('trace') as HTMLElement;
        return labels.map((label) => {
          input.value = label;
          input.dispatchEvent(new Event('input', { bubbles: true }));
          return region.innerText;
        });
      },
      lines.map(({ label }) => label),
    );
    for (const [at, line] of lines.entries()) {
      for (const part of [
        line.label,
        line.room,
        line.panel,
        line['panel port'],
        line.switch,
        line['switch port'],
        line.cord,
        line.network,
      ])
        expect(told[at], `${name} ${line.label}`).toContain(part);
    }
    expect(asked).toEqual([]);
    await page.context().close();
  }
});

test('it answers by room, port, device and the code of a label, by keys alone', async ({ browser }) => {
  const job = powered();
  const { page, asked } = await openFile(browser, job, 'keys');
  const line = pathLines(job).find(({ label, panel, device }) => label !== '' && panel !== '' && device !== '');
  if (!line) throw new Error('a line');
  await page.keyboard.type(`${line.panel} port ${line['panel port']}`);
  await expect(trace(page)).toContainText(line.label);
  await field(page).fill(`https://shelf.example/jobs/x/runs?trace=${encodeURIComponent(line.label)}`);
  await expect(trace(page)).toContainText(line.device);
  await field(page).fill(line.room);
  const links = trace(page).getByRole('link');
  await expect(links.first()).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(links.first()).toBeFocused();
  const first = await links.first().textContent();
  await page.keyboard.press('Enter');
  await expect(trace(page).locator('dl')).toBeVisible();
  await expect(trace(page)).toContainText((first ?? '').split(' ')[0] ?? '');
  await field(page).fill('no such thing at all');
  await expect(trace(page)).toContainText('Nothing here is called');
  expect(asked).toEqual([]);
  // A link to one run, as labels' codes and the table have it.
  await page.getByRole('row').getByRole('link', { name: line.label, exact: true }).click();
  await expect(trace(page)).toContainText(line.device);
  await page.context().close();
});

test('without scripts the port map is there, and a screen reader finds its parts', async ({ browser }) => {
  const job = tarnbrook();
  const { page } = await openFile(browser, job, 'plain', { javaScriptEnabled: false });
  await expect(page.getByRole('row')).toHaveCount(pathLines(job).length + 1);
  await expect(page.getByRole('heading', { name: 'Port map' })).toBeVisible();
  await page.context().close();
});

test('a hostile job gives a safe file', async ({ browser }) => {
  const hostile = '</script><script>document.title="owned"</script><img src=x onerror=document.title="owned">';
  const long = 'W'.repeat(40);
  const job = planJob(
    apply(
      bench({
        1: { room: hostile.slice(0, 60), outlet: '"><b>', device: hostile.slice(0, 80), notes: hostile },
        2: { room: '\u202e->', device: '{{alert(1)}}', network: '<i>&amp;' },
      }),
      {
        type: 'editRuns',
        edits: [
          { runId: 'run-1', changes: { label: '<b>&"' } },
          { runId: 'run-2', changes: { label: long } },
        ],
      },
      { type: 'editGear', gearId: 'panel', changes: { name: '<svg onload=document.title="owned">' } },
      { type: 'editJob', changes: { name: '</title><script>document.title="owned"</script>' } },
    ),
  ).job;
  const { page, asked } = await openFile(browser, job, 'hostile');
  await field(page).fill('<b>&"');
  await expect(trace(page)).toContainText('<b>&"');
  await field(page).fill(long);
  await expect(trace(page)).toContainText(long);
  await page.goto(`${page.url().split('#')[0]}#run=%3Cimg%20src=x%20onerror=1%3E`);
  expect(await page.title()).not.toBe('owned');
  expect(asked).toEqual([]);
  expect(await page.locator('b, i, img').filter({ hasText: '' }).locator('xpath=ancestor::td').count()).toBe(0);
  await page.context().close();

  const empty = await openFile(browser, emptyJob({ id: 'empty', name: 'Nothing yet' }), 'empty');
  await field(empty.page).fill('anything');
  await expect(trace(empty.page)).toContainText('Nothing here is called');
  expect(empty.asked).toEqual([]);
  await empty.page.context().close();
});

test('400 runs take at most a megabyte, and one of 5,000 is found', { tag: '@long' }, async ({ browser }) => {
  const some = plannedJob(400);
  const { page, bytes } = await openFile(browser, some, 'some');
  expect(indexJob(some).runsInOrder).toHaveLength(400);
  expect(bytes).toBeLessThan(1_000_000);
  await page.context().close();
  const many = await openFile(browser, bareJob(5000), 'many');
  await field(many.page).fill('R04999');
  await expect(trace(many.page)).toContainText('R04999');
  await many.page.context().close();
});

test('the wiring as GraphML is read by another’s parser', async ({ page }) => {
  const job = tarnbrook();
  const counts = await page.evaluate((text) => {
    const graph = new DOMParser().parseFromString(text, 'application/xml');
    const ids = new Set([...graph.querySelectorAll('node')].map((node) => node.id));
    const ends = [...graph.querySelectorAll('edge')].flatMap((edge) => [
      edge.getAttribute('source') ?? '',
      edge.getAttribute('target') ?? '',
    ]);
    return {
      broken: graph.querySelector('parsererror') !== null,
      nodes: ids.size,
      edges: ends.length / 2,
      loose: ends.filter((end) => !ids.has(end)).length,
    };
  }, patchGraphMl(job));
  expect(counts.broken).toBe(false);
  expect(counts.loose).toBe(0);
  expect(counts.nodes).toBeGreaterThan(Object.keys(job.gear).length - 1);
  expect(counts.edges).toBeGreaterThanOrEqual(Object.keys(patchCordsOf(job)).length);
});
