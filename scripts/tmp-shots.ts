import type { Page } from '@playwright/test';
type Shot = { name: string; path: string; phone?: boolean; theme?: string; prepare?: (page: Page, address: string) => Promise<unknown> };
const p = (view: string) => `/jobs/ostermoor/prove/${view}`;
export const SHOTS: Shot[] = [
  { name: 'log-phone', path: '/jobs/quillback/prove', phone: true, prepare: (page) => page.getByRole('button', { name: 'Add a tester' }).click() },
  { name: 'many', path: '/jobs/quillback/prove/many', prepare: async (page) => { await page.getByRole('button', { name: /^Choose all/ }).click(); await page.getByRole('button', { name: /^\d+ failed$/ }).click(); } },
  { name: 'board', path: '/jobs/quillback/prove/board' },
  { name: 'trouble', path: '/jobs/quillback/prove/trouble', prepare: async (page) => { await page.getByText('What about others').click(); await page.getByText('Where the odds are from').click(); } },
  { name: 'trouble-phone', path: '/jobs/quillback/prove/trouble', phone: true, theme: 'closet' },
  { name: 'practice', path: '/jobs/quillback/prove/practice', prepare: async (page) => { await page.getByLabel('Level').selectOption('6'); await page.getByRole('region', { name: 'Tests' }).getByRole('button').first().click(); } },
  { name: 'compare', path: '/jobs/tarnbrook/prove/compare', prepare: async (page) => { await page.getByLabel('Switch', { exact: true }).selectOption({ label: 'New switch' }); await page.getByLabel('Simulated switch, with').selectOption('mixed'); await page.getByRole('button', { name: 'Ask the simulated switch' }).click(); await page.waitForTimeout(1500); await page.getByText('Every port of').click(); } },
  { name: 'loom-seen', path: '/jobs/tarnbrook/prove/compare', prepare: async (page) => { await page.getByLabel('Switch', { exact: true }).selectOption({ label: 'New switch' }); await page.getByLabel('Simulated switch, with').selectOption('mixed'); await page.getByRole('button', { name: 'Ask the simulated switch' }).click(); await page.getByRole('link', { name: 'see it on the loom' }).click(); await page.waitForTimeout(1500); } },
  { name: 'compare-phone', path: '/jobs/tarnbrook/prove/compare', phone: true, theme: 'closet' },
];
