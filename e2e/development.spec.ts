import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { openDatabases } from '../scripts/lib/database';
import { root } from '../scripts/lib/root';

/** Headers of the gate, with the nonce of a page taken out. */
const gateHeaders = (headers: Record<string, string>): Record<string, string> =>
  Object.fromEntries(
    ['content-security-policy', 'cross-origin-opener-policy', 'x-content-type-options'].map((name) => [
      name,
      (headers[name] ?? '').replace(/nonce-[\w-]+/, 'nonce'),
    ]),
  );

test('what is developed is answered by the same gate as what is built, and its pages keep the same policy', async ({
  browser,
  playwright,
  request: built,
}) => {
  const databases = await openDatabases('test');
  const database = `good_shelf_development_${process.pid}`;
  await databases.drop(database);
  const url = await databases.ensure(database);
  const server = spawn(process.execPath, ['--import', 'tsx', join(root, 'scripts/dev.ts')], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: url, SHELF_BUILD: '' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  try {
    const address = await new Promise<string>((done, fail) => {
      let said = '';
      server.stdout.on('data', (part) => {
        said += part;
        const found = /Good Shelf is at (http:\S+\d)/.exec(said)?.[1];
        if (found) done(found);
      });
      server.once('exit', () => fail(new Error(`It ended: ${said}`)));
    });
    const developed = await playwright.request.newContext({ baseURL: address });
    for (const path of ['/rack', '/api/jobs', '/sw.js', '/nowhere']) {
      const [here, there] = await Promise.all([developed.get(path), built.get(path)]);
      expect(here.status(), path).toBe(there.status());
      expect(gateHeaders(here.headers()), path).toEqual(gateHeaders(there.headers()));
    }
    const statuses = await Promise.all([
      developed.fetch('/api/jobs', { method: 'PUT' }),
      developed.post('/api/jobs', { headers: { origin: 'http://elsewhere.example' }, data: {} }),
      developed.get('/rack', { headers: { host: 'rebound.example' } }),
      developed.get('/api/jobs?words=%00'),
    ]);
    expect(statuses.map((answer) => answer.status())).toEqual([405, 403, 403, 400]);
    await developed.dispose();

    const context = await browser.newContext({ baseURL: address });
    const page = await context.newPage();
    const refused: string[] = [];
    page.on('console', (message) => {
      // The framework tries whether it may make code out of text for nicer traces, and goes on without.
      if (/Content Security Policy/.test(message.text()) && !/eval/.test(message.text())) refused.push(message.text());
    });
    await page.goto('/rack');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    expect(refused).toEqual([]);
    await context.close();
  } finally {
    server.kill('SIGTERM');
    await new Promise((ended) => (server.exitCode === null ? server.once('exit', ended) : ended(null)));
    await databases.drop(database);
    databases.stop();
  }
});
