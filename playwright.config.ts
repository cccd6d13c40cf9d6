import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/browser';

const port = process.env.E2E_PORT ?? '4290';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // Long, since nothing here is timed: a slow machine is no fault, and some stand still for minutes.
  timeout: 900_000,
  expect: { timeout: 120_000 },
  // Files side by side: each makes jobs of its own, and leaves the demo jobs as they were.
  workers: 2,
  forbidOnly: Boolean(process.env.CI),
  reporter: process.env.E2E_REPORT ? [['list'], ['json', { outputFile: process.env.E2E_REPORT }]] : 'list',
  use: {
    actionTimeout: 180_000,
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    screenshot: 'only-on-failure',
    trace: 'off',
  },
});
