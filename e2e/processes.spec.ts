import { randomUUID } from 'node:crypto';
import { type AddressInfo, createServer } from 'node:net';
import { expect, test } from '@playwright/test';
import { openDatabases } from '../scripts/lib/database';
import { portFrom, startServer } from '../scripts/lib/server';
import { migrate, openStore } from '../src/store/openStore';
import { makeJob } from './rackJob';
import { serve } from './served';

test('two processes serve one database: each hears of the other, and one that is killed loses nothing', async ({
  browser,
  playwright,
}) => {
  const databases = await openDatabases('test');
  const database = `good_shelf_two_${process.pid}`;
  await databases.drop(database);
  const url = await databases.ensure(database);
  const store = await openStore(url, {});
  await migrate(store);
  await store.close(true);
  const one = await startServer(url, await portFrom(5110));
  const two = await startServer(url, await portFrom(5310));
  const askOne = await playwright.request.newContext({ baseURL: one.address });
  const askTwo = await playwright.request.newContext({ baseURL: two.address });
  try {
    const id = await makeJob(askOne);
    const page = await (await browser.newContext({ baseURL: two.address })).newPage();
    await page.goto(`/jobs/${id}/runs`);
    const note = page.getByLabel('Room of 01', { exact: true });
    await expect(note).toBeVisible();
    const { job, point } = (await (await askOne.get(`/api/jobs/${id}`)).json()) as {
      job: { runs: Record<string, { id: string; label: string }> };
      point: { history: string; revision: number; step: string };
    };
    const run = Object.values(job.runs).find(({ label }) => label === '01');
    const batch = (room: string, batchId = randomUUID()) => ({
      batchId,
      base: point,
      seen: point.revision,
      actor: { id: 'other-process', name: 'Wren' },
      commands: [{ type: 'editRuns', edits: [{ runId: run?.id, changes: { room } }] }],
    });
    const send = async (ask: typeof askOne, data: ReturnType<typeof batch>) =>
      (await ask.post(`/api/jobs/${id}/batches`, { data })).status();
    // Done on the first, seen in a window of the second.
    expect(await send(askOne, batch('Heard of'))).toBe(200);
    await expect(note).toHaveValue('Heard of');
    // Sent to the first, which is killed; sent again to the second: taken once.
    const sent = batch('Sent twice');
    const first = send(askOne, sent).catch(() => 0);
    one.process.kill('SIGKILL');
    await first;
    expect(await send(askTwo, sent)).toBe(200);
    await expect(note).toHaveValue('Sent twice');
    const { steps } = (await (await askTwo.get(`/api/jobs/${id}/history`)).json()) as { steps: { batchId: string }[] };
    expect(steps.filter(({ batchId }) => batchId === sent.batchId)).toHaveLength(1);
    await page.context().close();
  } finally {
    await askOne.dispose();
    await askTwo.dispose();
    await one.stop();
    await two.stop();
    await databases.drop(database);
    databases.stop();
  }
});

test('a port that is in use is said in a sentence, and nothing goes on half', { tag: '@long' }, async () => {
  const taken = createServer();
  await new Promise<void>((done) => taken.listen(0, '127.0.0.1', done));
  const { port } = taken.address() as AddressInfo;
  try {
    for (const option of ['--metrics', '--port'])
      await expect(serve(`taken${option.slice(2)}`, [option, String(port)])).rejects.toThrow(
        new RegExp(`Port ${port} is in use by another program: stop that, or give another port`),
      );
  } finally {
    taken.close();
  }
});
