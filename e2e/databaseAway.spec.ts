import { connect, createServer, type Socket } from 'node:net';
import { expect, test } from '@playwright/test';
import { openDatabases } from '../scripts/lib/database';
import { prepareDatabase } from '../scripts/lib/demoData';
import { portFrom, startServer } from '../scripts/lib/server';

/** A way to the database that can be cut and mended. */
async function wayTo(url: string) {
  const to = new URL(url);
  const [host, behind] = [to.hostname, Number(to.port)];
  const open = new Set<Socket>();
  let cut = false;
  const server = createServer((socket) => {
    if (cut) return void socket.destroy();
    const there = connect(behind, host);
    for (const [one, other] of [
      [socket, there],
      [there, socket],
    ] as const) {
      open.add(one);
      one.pipe(other);
      one
        .on('error', () => other.destroy())
        .once('close', () => {
          open.delete(one);
          other.destroy();
        });
    }
  });
  const port = await portFrom(5710);
  await new Promise<void>((done) => server.listen(port, '127.0.0.1', done));
  to.port = String(port);
  return {
    url: to.toString(),
    cut: () => {
      cut = true;
      for (const socket of open) socket.destroy();
    },
    mend: () => {
      cut = false;
    },
    close: () => server.close(),
  };
}

test('while the database is away pages say so in words, and lead back when it is there', async ({ page, request }) => {
  const databases = await openDatabases('test');
  const name = `good_shelf_away_${process.pid}`;
  const url = await databases.ensure(name);
  await prepareDatabase(url, false);
  const way = await wayTo(url);
  const server = await startServer(way.url, await portFrom(5410));
  try {
    await page.goto(`${server.address}/jobs/quillback/runs`);
    await expect(page.getByLabel('Notes of 01')).toBeVisible();
    way.cut();
    for (const path of ['/new', '/jobs/quillback/runs', '/jobs/quillback/power']) {
      await page.goto(`${server.address}${path}`);
      await expect(page.getByRole('heading', { level: 1 })).toHaveText('The database does not answer');
      await expect(page.getByText('Everything that was saved is safe')).toBeVisible();
      await expect(page.getByRole('link', { name: 'Try again now' })).toHaveAttribute('href', path);
    }
    await page.goto(`${server.address}/`);
    await expect(page.getByText('The list of jobs cannot be shown now')).toBeVisible();
    const answer = await request.get(`${server.address}/api/jobs/quillback`);
    expect(answer.status()).toBe(503);
    expect(Number(answer.headers()['retry-after'])).toBeGreaterThan(0);
    expect(await answer.json()).toMatchObject({ code: 'database-away' });
    way.mend();
    await page.goto(`${server.address}/away?next=${encodeURIComponent('/jobs/quillback/runs')}`);
    await page.getByRole('link', { name: 'Try again now' }).click();
    await expect(page.getByLabel('Notes of 01')).toBeVisible();
    // It leads to no other place than ours.
    await page.goto(`${server.address}/away?next=//evil.example/`);
    await expect(page.getByRole('link', { name: 'Try again now' })).toHaveAttribute('href', '/');
  } finally {
    await server.stop();
    way.close();
    await databases.drop(name);
    databases.stop();
  }
});
