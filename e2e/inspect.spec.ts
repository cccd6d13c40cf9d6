import { type ConsoleMessage, expect, type Page, test } from '@playwright/test';
import { STATIONS } from '../src/core/job/stationIds';
import { STATION_VIEWS } from '../src/ui/job/stations';

const WIDTHS = [1440, 1280, 1024, 390] as const;
const JOBS = ['quillback', 'marrowby', 'tarnbrook'] as const;

/** What is wrong with the page as it stands, in words; the same code looks at every view. */
const INSPECT = `(() => {
  const wrong = [];
  const root = document.documentElement;
  const name = (one) => (one.getAttribute('aria-label') || one.textContent || one.tagName).trim().replace(/\\s+/g, ' ').slice(0, 40);
  const shown = (one) => {
    const box = one.getBoundingClientRect();
    const style = getComputedStyle(one);
    return box.width > 1 && box.height > 1 && style.visibility !== 'hidden' && style.clipPath === 'none';
  };
  if (root.scrollWidth > innerWidth + 1) wrong.push('the page scrolls sideways to ' + root.scrollWidth);
  if (innerWidth >= 768 && root.scrollHeight > innerHeight + 1) wrong.push('the page scrolls to blank, ' + root.scrollHeight + ' high');
  for (const one of document.querySelectorAll('button, a[href], input:not([type=hidden]), select, textarea')) {
    if (!shown(one)) continue;
    const labelled = one.getAttribute('aria-label') || one.getAttribute('aria-labelledby') || (one.labels && one.labels.length > 0) || one.textContent.trim() || one.title || one.getAttribute('alt');
    if (!labelled) wrong.push('a control without a name: ' + one.outerHTML.slice(0, 80));
  }
  // A line of text that is cut off while nothing says its whole form.
  for (const one of document.querySelectorAll('main *, aside *, header *')) {
    if (one.children.length > 0 || !shown(one) || !one.textContent.trim()) continue;
    const style = getComputedStyle(one);
    if (style.overflowX !== 'hidden' && style.overflowX !== 'clip') continue;
    if (one.closest('.sr-only') || one.title || one.closest('[title]')) continue;
    if (one.scrollWidth > one.clientWidth + 1 && style.textOverflow !== 'ellipsis') wrong.push('cut off: ' + name(one));
  }
  return wrong;
})()`;

/** Every view of every station; a station that comes is in it by itself. */
const VIEWS = STATIONS.flatMap((station) =>
  STATION_VIEWS[station].views.map((view, at) => (at === 0 ? station : `${station}/${view.id}`)),
);

async function inspect(page: Page, at: string, wrong: string[]): Promise<void> {
  for (const theme of ['day', 'closet'] as const) {
    await page.evaluate((one) => document.documentElement.setAttribute('data-theme', one), theme);
    for (const width of WIDTHS) {
      // What looks at widths and names is the same in both themes: the narrow ones are looked at once.
      if (theme === 'closet' && width !== 1280) continue;
      await page.setViewportSize({ width, height: 800 });
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      const found = (await page.evaluate(INSPECT)) as string[];
      wrong.push(...found.slice(0, 4).map((words) => `${at} at ${width}, ${theme}: ${words}`));
    }
    const kept = await page.evaluate(() => document.documentElement.getAttribute('data-theme'));
    if (kept !== theme) wrong.push(`${at}: the theme is lost`);
  }
}

for (const job of JOBS) {
  test(`every view of ${job} is whole at four widths and in both themes`, async ({ page }) => {
    test.setTimeout(240_000);
    const wrong: string[] = [];
    let where = '';
    page.on('console', (message: ConsoleMessage) => {
      if (message.type() === 'error' || message.type() === 'warning')
        wrong.push(`${where}: console ${message.type()}: ${message.text().slice(0, 160)}`);
    });
    page.on('pageerror', (fault) => wrong.push(`${where}: ${fault.message.slice(0, 160)}`));
    for (const view of VIEWS) {
      where = `${job}/${view}`;
      await page.setViewportSize({ width: 1440, height: 800 });
      await page.goto(`/jobs/${job}/${view}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(page.getByRole('complementary', { name: 'Docket' }).getByRole('definition').first()).toBeAttached();
      await inspect(page, where, wrong);
    }
    expect(wrong).toEqual([]);
  });
}
