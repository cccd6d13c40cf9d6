import { expect, test } from '@playwright/test';
import { openDatabases } from '../scripts/lib/database';
import { prepareDatabase } from '../scripts/lib/demoData';
import { portFrom, startServer } from '../scripts/lib/server';
import { trialCellar } from '../scripts/lib/trialCellar';
import { trialFuzz } from '../scripts/lib/trialFuzz';
import { trialCrowd, trialHoldUps } from '../scripts/lib/trialHoldUps';
import { trialKills } from '../scripts/lib/trialKills';
import { trialLoad } from '../scripts/lib/trialLoad';
import { trialWindows } from '../scripts/lib/trialWindows';

/* Short forms of `npm run trial`. */

test('two windows and two clients with mixed commands end equal, with what could not be done named', async ({
  baseURL,
}) => {
  const { made, done, aside, different } = await trialWindows(baseURL ?? '', 160, 7);
  expect(made).toBe(160);
  expect(done).toBeGreaterThan(80);
  expect(different).toBe(0);
  for (const words of aside) expect(words).toMatch(/: .+\.$/);
});

test('killed in the middle, server and database lose nothing that was acknowledged, and keep no halves', async () => {
  const given = process.env.DATABASE_URL !== undefined;
  const { acknowledged, onSite, lost, halves } = await trialKills({ servers: 2, databases: given ? 0 : 1 });
  expect(acknowledged).toBeGreaterThan(10);
  expect(onSite).toBeGreaterThan(5);
  expect([lost, halves]).toEqual([[], []]);
});

test('two phones without a network for two days, killed in between, come together', async ({ baseURL }) => {
  const { logged, arrived, photographs, photographsArrived, kills } = await trialCellar(baseURL ?? '', {
    each: 4,
    days: 2,
    killEvery: 2,
  });
  expect(kills).toBe(2);
  expect(arrived).toBe(logged);
  expect(photographsArrived).toBe(photographs);
});

test('while one draws and brings very much, others are answered', { tag: '@long' }, async ({ baseURL }) => {
  const { smallFileMs, wrong, own } = await trialHoldUps(baseURL ?? '', { runs: 400 });
  expect(wrong).toEqual([]);
  expect(own.map(({ status }) => status)).toEqual([200, 422, 422, 422]);
  // Other tests run beside it here: the goal of 2 s is held by the long form.
  expect(smallFileMs).toBeLessThan(10_000);
});

test('one address that opens very many connections shuts nobody else out', async () => {
  const databases = await openDatabases('test');
  const name = `good_shelf_crowd_${process.pid}`;
  const url = await databases.ensure(name);
  await prepareDatabase(url, false);
  const server = await startServer(url, await portFrom(4760));
  try {
    const { open, shutOut } = await trialCrowd(server.address, 700);
    expect(shutOut).toBe(0);
    expect(open).toBeLessThan(450);
  } finally {
    await server.stop();
    await databases.drop(name);
    databases.stop();
  }
});

test('fifty people on twenty jobs are all answered rightly', async () => {
  const { answers, wrong } = await trialLoad({ people: 50, jobs: 20, seconds: 2, perSecond: 50 });
  expect(answers).toBeGreaterThan(50);
  expect(wrong).toBe(0);
});

test('made-up requests to every route find no fault of ours', async () => {
  const { broken } = await trialFuzz(300, 3);
  expect(broken).toEqual([]);
});
