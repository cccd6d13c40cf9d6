import { expect, test } from '@playwright/test';
import { trialKills } from '../scripts/lib/trialKills';
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
  const { acknowledged, lost, halves } = await trialKills({ servers: 4, databases: given ? 0 : 2 });
  expect(acknowledged).toBeGreaterThan(10);
  expect([lost, halves]).toEqual([[], []]);
});
