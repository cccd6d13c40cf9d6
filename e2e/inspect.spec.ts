import { type ConsoleMessage, expect, test } from '@playwright/test';
import { STATIONS } from '../src/core/job/records/stationIds';
import { RACK_VIEWS } from '../src/ui/rack/place';
import { STATION_VIEWS } from '../src/ui/shell/stations';
import { inspect } from './inspection';
import { turnTo } from './turnTo';

const JOBS = ['quillback', 'marrowby', 'tarnbrook', 'schnuerlbach', 'ostermoor'] as const;

/** Every view of every station; a station that comes is in it by itself. */
/** Every view is looked at with the job of long names; the tidy ones have what they are there for. */
const LOOKED_AT: Record<(typeof JOBS)[number], RegExp> = {
  quillback: /^(survey|runs|stack|land|patch)/,
  marrowby: /^(survey|runs|land)/,
  tarnbrook: /^(stack|power)/,
  schnuerlbach: /./,
  ostermoor: /^(build|prove)/,
};

const VIEWS = STATIONS.flatMap((station) =>
  STATION_VIEWS[station].views.map((view, at) => (at === 0 ? station : `${station}/${view.id}`)),
);

for (const job of JOBS) {
  // The job with the longest names in every view; the tidy ones are looked at in the long trial.
  const tag = job === 'schnuerlbach' ? [] : '@long';
  test(`every view of ${job} is whole at all widths and in both themes`, { tag }, async ({ page }) => {
    const wrong: string[] = [];
    let where = '';
    page.on('console', (message: ConsoleMessage) => {
      if (message.type() === 'error' || message.type() === 'warning')
        wrong.push(`${where}: console ${message.type()}: ${message.text().slice(0, 160)}`);
    });
    page.on('pageerror', (fault) => wrong.push(`${where}: ${fault.message.slice(0, 160)}`));
    const views = VIEWS.filter((one) => LOOKED_AT[job].test(one));
    for (const view of views) {
      where = `${job}/${view}`;
      await page.setViewportSize({ width: 1440, height: 800 });
      if (view === views[0]) await page.goto(`/jobs/${job}/${view}`);
      else await turnTo(page, `/jobs/${job}/${view}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(page.getByRole('complementary', { name: 'Docket' }).getByRole('definition').first()).toBeAttached();
      await expect(page.getByText('Bringing the steps into order')).toHaveCount(0);
      await inspect(page, where, wrong);
    }
    expect(wrong).toEqual([]);
  });
}

test('every screen at the rack is whole at four widths and in both themes', { tag: '@long' }, async ({ page }) => {
  const wrong: string[] = [];
  page.on('pageerror', (fault) => wrong.push(fault.message.slice(0, 160)));
  for (const job of ['schnuerlbach', 'ostermoor'])
    for (const view of ['', ...RACK_VIEWS]) {
      await page.goto(`/jobs/${job}/rack/${view}`);
      await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('Opening the job …');
      await expect(page.getByText('Bringing the steps into order')).toHaveCount(0);
      await inspect(page, `${job} at the rack, ${view || 'first screen'}`, wrong, true);
    }
  await page.goto('/rack');
  await inspect(page, 'jobs on this device', wrong, true);
  expect(wrong).toEqual([]);
});
