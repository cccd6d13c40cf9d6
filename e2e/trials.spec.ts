import { expect, test } from '@playwright/test';
import { trialCellar } from '../scripts/lib/trialCellar';
import { trialFuzz } from '../scripts/lib/trialFuzz';
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
  const { acknowledged, onSite, lost, halves } = await trialKills({ servers: 4, databases: given ? 0 : 2 });
  expect(acknowledged).toBeGreaterThan(10);
  expect(onSite).toBeGreaterThan(5);
  expect([lost, halves]).toEqual([[], []]);
});

test('two phones without a network for two days, killed in between, come together', async ({ baseURL }) => {
  const { logged, arrived, kills } = await trialCellar(baseURL ?? '', { each: 8, days: 2, killEvery: 4 });
  expect(kills).toBe(2);
  expect(arrived).toBe(logged);
});

test('fifty people on twenty jobs are all answered rightly', async () => {
  const { answers, wrong } = await trialLoad({ people: 50, jobs: 20, seconds: 4, perSecond: 50 });
  expect(answers).toBeGreaterThan(100);
  expect(wrong).toBe(0);
});

test('made-up requests to every route find no fault of ours', async () => {
  const { broken } = await trialFuzz(600, 3);
  expect(broken).toEqual([]);
});
