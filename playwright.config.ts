import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/browser';
import { slowness } from './scripts/lib/slowness';

/** Measured once by what starts the tests: their processes read it, and do not measure each other. */
const slow = Number(process.env.E2E_SLOWNESS ?? slowness());
process.env.E2E_SLOWNESS = String(slow);
const port = process.env.E2E_PORT ?? '4290';

export default defineConfig({
  testDir: 'e2e',
  // What takes long is left to `npm run trial -- browser`.
  ...(process.env.SHELF_LONG ? {} : { grepInvert: /@long/ }),
  outputDir: 'test-results',
  // Nothing here is timed: on a slow machine all limits are longer.
  timeout: Math.round(360_000 * slow),
  expect: { timeout: Math.round(60_000 * slow) },
  // Files side by side: each makes jobs of its own, and leaves the demo jobs as they were.
  workers: 2,
  forbidOnly: Boolean(process.env.CI),
  reporter: process.env.E2E_REPORT ? [['list'], ['json', { outputFile: process.env.E2E_REPORT }]] : 'list',
  use: {
    actionTimeout: Math.round(90_000 * slow),
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    screenshot: 'only-on-failure',
    trace: 'off',
  },
});
