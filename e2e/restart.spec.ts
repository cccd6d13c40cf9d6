import { expect, test } from '@playwright/test';
import { openDatabases } from '../scripts/lib/database';
import { prepareDatabase } from '../scripts/lib/demoData';
import { portFrom, startServer } from '../scripts/lib/server';

test('kill the server, start it again: nothing acknowledged is lost, and what waited is sent', {
  tag: '@long',
}, async ({ page }) => {
  const databases = await openDatabases('test');
  const name = `good_shelf_restart_${process.pid}`;
  const url = await databases.ensure(name);
  await prepareDatabase(url, false);
  const port = await portFrom(4390);
  let server = await startServer(url, port);
  try {
    await page.goto(`${server.address}/jobs/quillback/runs`);
    const link = page.getByTestId('link');
    const write = async (run: string, text: string) => {
      await page.getByLabel(`Notes of ${run}`).fill(text);
      await page.getByLabel(`Notes of ${run}`).press('Enter');
    };
    await write('01', 'before the fall');
    await expect(link).toHaveText('Saved');

    const dead = new Promise((done) => server.process.once('exit', done));
    server.process.kill('SIGKILL');
    await dead;
    await write('02', 'while it was away');
    await expect(link).toHaveText(/No way to the server: 1 waits, kept here/);
    await expect(page.getByLabel('Notes of 02')).toHaveValue('while it was away');

    server = await startServer(url, port);
    await expect(link).toHaveText('Saved');
    await page.reload();
    await expect(page.getByLabel('Notes of 01')).toHaveValue('before the fall');
    await expect(page.getByLabel('Notes of 02')).toHaveValue('while it was away');
    await page.getByRole('button', { name: 'Undo: Change run 02' }).click();
    await expect(page.getByLabel('Notes of 02')).toHaveValue('');
    await expect(link).toHaveText('Saved');
  } finally {
    await server.stop();
    await databases.drop(name);
    databases.stop();
  }
});
