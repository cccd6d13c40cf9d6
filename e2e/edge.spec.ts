import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { openedJob, sendBatch } from './api';
import { openJobFile, smallJob } from './job';

const app = join(import.meta.dirname, '../src/app');

/** Addresses of all routes and pages, with something for each of their words. */
function addresses(folder = app, at = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) {
      const word = {
        '[id]': 'quillback',
        '[file]': 'job.json',
        '[revision]': '0',
        '[version]': 'none',
        '[[...view]]': 'runs',
      };
      return addresses(join(folder, entry.name), `${at}/${word[entry.name as keyof typeof word] ?? entry.name}`);
    }
    return /^(route|page)\.tsx?$/.test(entry.name) ? [at || '/'] : [];
  });
}

test('every answer of every route says what may be done with it', async ({ request }) => {
  const all = addresses();
  expect(all.length).toBeGreaterThan(16);
  for (const address of [...all, '/jobs/nobody/runs', '/nowhere', '/api/jobs/nobody']) {
    // An open line of news never ends.
    if (address.endsWith('/events')) continue;
    const answer = await request.get(address, { maxRedirects: 0 });
    const headers = answer.headers();
    expect(answer.status(), address).toBeLessThan(500);
    expect(headers['x-content-type-options'], address).toBe('nosniff');
    expect(headers['referrer-policy'], address).toBe('no-referrer');
    expect(headers['cross-origin-resource-policy'], address).toBe('same-origin');
    expect(headers['content-security-policy'], address).toContain("frame-ancestors 'none'");
    expect(headers['content-security-policy'], address).not.toMatch(/script-src[^;]*unsafe-inline/);
    expect(headers['cache-control'], address).toContain('no-store');
  }
});

test('every answer of a page has a nonce of its own', async ({ request }) => {
  const seen = new Set<string>();
  for (const _ of [1, 2, 3]) {
    const answer = await request.get('/');
    const [, nonce = 'none'] = /'nonce-([^']+)'/.exec(answer.headers()['content-security-policy'] ?? '') ?? [];
    const text = await answer.text();
    const scripts = text.match(/<script\b[^>]*>/g) ?? [];
    expect(scripts.length).toBeGreaterThan(3);
    for (const script of scripts) expect(script).toContain(`nonce="${nonce}"`);
    for (const earlier of seen) expect(text).not.toContain(earlier);
    expect(answer.headers()['content-type']).toContain('text/html');
    seen.add(nonce);
  }
  expect(seen.size).toBe(3);
  // What the framework asks for when it leads here from elsewhere is no page.
  expect((await request.get('/', { headers: { rsc: '1' } })).headers()['content-type']).toContain('text/x-component');
});

test('pages run our scripts alone', async ({ page }) => {
  const wrong: string[] = [];
  page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
  page.on('pageerror', (fault) => wrong.push(fault.message));
  await page.addInitScript(() => localStorage.setItem('good-shelf-theme', 'closet'));
  await page.goto('/jobs/quillback/patch');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'closet');
  await expect(page.getByRole('button', { name: /^Switch A port 1,/ }).first()).toBeVisible();
  // As text that came into the page from a name would run, if anything let it.
  const ran = await page.evaluate(async () => {
    const hole = document.createElement('div');
    hole.innerHTML =
      '<img src="/nowhere.png" onerror="globalThis.intruder = true"><svg onload="globalThis.intruder = true"></svg>' +
      '<a href="javascript:globalThis.intruder = true">x</a>';
    document.body.append(hole);
    hole.querySelector('a')?.click();
    await new Promise((done) => setTimeout(done, 500));
    return 'intruder' in globalThis;
  });
  expect(ran).toBe(false);
  expect(wrong.filter((text) => !/Content Security Policy|404/.test(text))).toEqual([]);
});

const WRONG: [what: string, path: string, init: { method?: string; data?: unknown }, status: number][] = [
  ['a broken escape', '/api/jobs/%E0%A4%A', {}, 400],
  ['a broken escape of a page', '/jobs/%E0%A4%A/runs', {}, 400],
  ['a NUL in an id', '/api/jobs/a%00b', {}, 400],
  ['changes of no job', '/api/jobs/nobody/changes?history=x&revision=0&step=', {}, 404],
  ['events of no job', '/api/jobs/nobody/events', {}, 404],
  ['changes since nothing', '/api/jobs/quillback/changes', {}, 400],
  ['a revision that is none', '/api/jobs/quillback/at/1e9', {}, 400],
  ['a revision to come', '/api/jobs/quillback/at/100000', {}, 404],
  ['steps of no table', '/api/jobs/quillback/history?tables=jobs', {}, 400],
  ['a file that there is not', '/api/jobs/quillback/files/constructor', {}, 404],
  ['labels of no kind', '/api/jobs/quillback/files/labels.pdf?kind=no', {}, 422],
  ['a batch that is no JSON', '/api/jobs/quillback/batches', { method: 'POST', data: '{"a' }, 400],
  ['a batch of nothing', '/api/jobs/quillback/batches', { method: 'POST', data: {} }, 400],
  ['a job file with a blank name', '/api/jobs/file', { method: 'POST', data: smallJob(' ', ['1']) }, 422],
  [
    'a version without a name',
    '/api/jobs/quillback/versions',
    { method: 'POST', data: { id: 'version-1', name: ' ' } },
    400,
  ],
  ['a way there is not', '/api/jobs/quillback/batches', { method: 'PUT', data: {} }, 405],
];
for (const [what, path, { method = 'GET', data }, status] of WRONG) {
  test(`${what} is answered with ${status} and words`, async ({ request }) => {
    const answer = await request.fetch(path, { method, ...(data === undefined ? {} : { data: data as object }) });
    expect(answer.status()).toBe(status);
    if (status !== 405) expect((await answer.json()).message).toMatch(/\w+ .*\w/);
  });
}

test('bodies are not read beyond what their route takes', async ({ request }) => {
  const small = await request.post('/api/jobs', { data: 'x'.repeat(70_000) });
  expect(small.status()).toBe(413);
  const large = await request.post('/api/jobs/file', { data: 'x'.repeat(66 * 1024 * 1024) });
  expect(large.status()).toBe(413);
  expect((await large.json()).message).toContain('64 MB');
});

test('a job of more than 10 MB comes in whole', async ({ request }) => {
  const file = JSON.parse(smallJob('Large', ['1']));
  file.runs = Array.from({ length: 19_900 }, (_, at) => ({ id: `run-${at}`, label: `L${at}`, notes: 'n'.repeat(500) }));
  const text = JSON.stringify(file);
  expect(text.length).toBeGreaterThan(10.5e6);
  const answer = await request.post('/api/jobs/file', { data: text });
  expect(answer.status()).toBe(200);
  const { id } = await answer.json();
  await request.post(`/api/jobs/${id}/removed`, { data: { removed: true } });
});

test('one batch sent again, and one file sent twenty times at once, are taken once each', async ({ page, request }) => {
  const id = await openJobFile(page, smallJob('Once', ['1']));
  const { point } = await openedJob(request, id);
  const data = {
    batchId: 'batch-sent-again',
    base: point,
    seen: 0,
    actor: { id: 'client', name: '' },
    commands: [{ type: 'addRuns', runs: [{ id: 'run-2', label: '2' }] }],
  };
  const send = (base = point) => request.post(`/api/jobs/${id}/batches`, { data: { ...data, base } });
  expect((await send()).status()).toBe(200);
  expect((await send((await openedJob(request, id)).point)).status()).toBe(200);
  expect((await openedJob(request, id)).point.revision).toBe(1);

  const file = smallJob('Twenty', ['1']);
  const answers = await Promise.all(Array.from({ length: 20 }, () => request.post('/api/jobs/file', { data: file })));
  expect(answers.map((answer) => answer.status())).toEqual(Array(20).fill(200));
  const ids = await Promise.all(answers.map(async (answer) => (await answer.json()).id));
  expect(new Set(ids).size).toBe(20);
});

test('changes that wait for one job do not keep another job waiting', async ({ page, request }) => {
  const id = await openJobFile(page, smallJob('Busy', ['1']));
  const many = Array.from({ length: 40 }, (_, at) =>
    sendBatch(request, id, [{ type: 'addRuns', runs: [{ id: `run-w${at}`, label: `W${at}` }] }]),
  );
  const other = await request.get('/api/jobs/quillback');
  expect(other.status()).toBe(200);
  expect((await Promise.all(many)).every(({ status }) => status === 200)).toBe(true);
  expect(Object.keys((await openedJob(request, id)).job.runs)).toHaveLength(41);
});
