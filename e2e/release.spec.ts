import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { openDatabases } from '../scripts/lib/database';
import { root } from '../scripts/lib/root';
import { portFrom } from '../scripts/lib/server';
import { openStore } from '../src/store/openStore';
import { PASSWORD } from './served';

/** The schema of an earlier version. */
const EARLIER = 'Migration20261127160000';

test('the archive runs elsewhere with Node and a database alone: an older one is migrated, served, and it stops', async ({
  playwright,
}) => {
  const packed = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/package.ts'], {
    cwd: root,
    encoding: 'utf8',
  });
  expect(packed.status, packed.stderr).toBe(0);
  const out = join(root, '.data/release');
  const archive = readdirSync(out).find((name) => name.endsWith('.tar.gz')) ?? '';
  const sum = createHash('sha256')
    .update(readFileSync(join(out, archive)))
    .digest('hex');
  expect(readFileSync(join(out, `${archive}.sha256`), 'utf8')).toBe(`${sum}  ${archive}\n`);

  const elsewhere = mkdtempSync(join(tmpdir(), 'release-'));
  const databases = await openDatabases('test');
  const database = `good_shelf_release_${process.pid}`;
  await databases.drop(database);
  const url = await databases.ensure(database);
  const store = await openStore(url, {});
  await store.getMigrator().up({ to: EARLIER });
  await store.close(true);
  try {
    expect(spawnSync('tar', ['-xzf', join(out, archive), '-C', elsewhere]).status).toBe(0);
    const folder = join(elsewhere, archive.replace(/\.tar\.gz$/, ''));
    expect(readFileSync(join(folder, 'LICENCES.txt'), 'utf8')).toMatch(/OFL|Open Font/);
    // Neither npm nor a builder is on the way: a shell, two of its tools, and Node.
    const tools = join(elsewhere, 'tools');
    mkdirSync(tools);
    symlinkSync(process.execPath, join(tools, 'node'));
    for (const tool of ['sh', 'dirname'])
      symlinkSync(spawnSync('which', [tool], { encoding: 'utf8' }).stdout.trim(), join(tools, tool));
    const port = String(await portFrom(5710));
    const bare = { PATH: tools, NODE_ENV: 'production' } as const;
    const env = { ...bare, DATABASE_URL: url };
    const run = (command: string, args: string[], input = '') =>
      spawnSync(join(folder, 'bin', command), args, { env, input, encoding: 'utf8', cwd: elsewhere });
    expect(spawnSync(join(folder, 'bin/serve'), { env: bare, encoding: 'utf8' }).stderr).toMatch(
      /^DATABASE_URL is not set: expected/,
    );
    const account = run(
      'account',
      ['--firm', 'Heron Cabling', '--login', 'ada', '--name', 'Ada Wren'],
      `${PASSWORD}\n`,
    );
    expect(account.status, account.stderr).toBe(0);

    const server = spawn(join(folder, 'bin/serve'), ['--port', port], { env, cwd: elsewhere });
    const ended = new Promise<number | null>((done) => server.once('exit', done));
    let said = '';
    for (const stream of [server.stdout, server.stderr]) stream.on('data', (part) => (said += part));
    await expect.poll(() => said, { timeout: 60_000 }).toMatch(/Good Shelf serves/);
    const baseURL = `http://127.0.0.1:${port}`;
    const ada = await playwright.request.newContext({ baseURL, extraHTTPHeaders: { origin: baseURL } });
    expect((await ada.post('/api/sign-in', { data: { login: 'ada', password: PASSWORD } })).status()).toBe(200);
    expect((await ada.post('/api/jobs/demo', { data: {} })).ok()).toBe(true);
    const asked = ['/', '/rack', '/handbook', '/sw.js', '/jobs/quillback/patch', '/api/jobs/quillback'];
    const files = ['port-map.csv', 'pack.pdf', 'elevation.png', 'handover.html'];
    for (const path of [...asked, ...files.map((file) => `/api/jobs/quillback/files/${file}`)])
      expect((await ada.get(path)).status(), path).toBe(200);
    await ada.dispose();
    const kept = join(elsewhere, 'all.backup');
    expect(run('backup', [kept]).stdout).toMatch(/1 job/);
    server.kill('SIGTERM');
    expect(await ended).toBe(0);
    expect(said).not.toMatch(/"level":(50|60)/);
  } finally {
    rmSync(elsewhere, { recursive: true, force: true });
    await databases.drop(database);
    databases.stop();
  }
});
